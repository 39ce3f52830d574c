/**
 * How large the child writes and where on the line, week by week, drawn on the class's own ruling:
 * where tall letters, small ones, feet and tails end, and in which span eight of ten do.
 */
import type { ChildPageOut, WeekOut } from "../../api/schema";
import { RuledLines } from "../../ink/RuledLines";

/** u: a week's width, the room above and below the lines, and to the left for the words. */
const WEEK = 0.8;
const SPARE = 0.45;
const LEFT = 0.4;

/** Weeks that there is room for at least. */
const FEWEST = 6;

const PART_NAMES = { tall: "tall letters", small: "small letters", foot: "feet", tail: "tails" };

export function SizePlot({
  page: { weeks, lines, part_lines: partLines },
}: {
  page: ChildPageOut;
}) {
  if (weeks.length === 0) return null;
  const heights = partLines.map(({ height }) => height);
  const [top, bottom] = [Math.max(...heights) + SPARE, Math.min(...heights) - SPARE];
  const width = LEFT + Math.max(FEWEST, weeks.length) * WEEK;
  const last = weeks.at(-1);
  return (
    <section className="mt-6" aria-label="Size and place on the line">
      <h2 className="text-lg font-bold">Size and place on the line</h2>
      <div className="flex items-start gap-4 max-sm:flex-col">
        <svg
          viewBox={`0 ${String(-top)} ${String(width)} ${String(top - bottom)}`}
          className="h-52 max-w-full rounded-md border-2 border-crease bg-leaf"
          role="img"
          aria-label={weeks.map(inWords).join(" ")}
        >
          <RuledLines lines={lines} />
          {weeks.map((week, at) => (
            <Week key={week.monday} week={week} x={LEFT + at * WEEK} />
          ))}
        </svg>
        <div className="text-sm text-soft">
          <p>
            One column a week, the latest on the right. A bar holds eight of ten, its dot the
            middle.
          </p>
          {last ? (
            <ul className="mt-1 text-ink">
              {last.spreads.map(({ part, middle, count }) => (
                <li key={part}>
                  {PART_NAMES[part]}: {offOf(middle, heightOf(partLines, part))}{" "}
                  <span className="text-soft">({count})</span>
                </li>
              ))}
            </ul>
          ) : null}
        </div>
      </div>
    </section>
  );
}

function Week({ week, x }: { week: WeekOut; x: number }) {
  return (
    <g>
      {week.spreads.map(({ part, low, middle, high }) => (
        <g key={part}>
          <line
            x1={x}
            x2={x}
            y1={-low}
            y2={-high}
            className="stroke-ember-pale"
            strokeWidth={0.2}
            strokeLinecap="round"
          />
          <circle cx={x} cy={-middle} r={0.1} className="fill-ink" />
        </g>
      ))}
    </g>
  );
}

function heightOf(lines: ChildPageOut["part_lines"], part: string): number {
  return lines.find((one) => one.part === part)?.height ?? 0;
}

/** How far from its line, in tenths of a small letter. */
function offOf(middle: number, line: number): string {
  const tenths = Math.round(Math.abs(middle - line) * 10);
  if (tenths === 0) return "at their line";
  const far = tenths === 1 ? "a tenth of a small letter" : `${String(tenths)} tenths`;
  return `${far} ${middle > line ? "above" : "below"} their line`;
}

function inWords({ monday, spreads }: WeekOut): string {
  const told = spreads.map(({ part, middle }) => `${PART_NAMES[part]} ${middle.toFixed(1)}`);
  return `Week of ${monday}: ${told.join(", ")}.`;
}
