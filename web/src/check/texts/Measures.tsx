/** What the check measured of a text, drawn where it was measured: gaps, tails, drift, joins. */
import type { FindingInText, TextOut as Text } from "../../api/schema";

/** A line with its ends marked, u from the left edge of the ink, y up; or a place that is ringed. */
export type Measure =
  | { kind: "span"; from: readonly [number, number]; to: readonly [number, number] }
  | { kind: "ring"; at: readonly [number, number] };

/** u: how far above the base line a gap is drawn; how large a ring is. */
const GAP_AT = 0.5;
const RING = 0.22;

export function measuresOf(text: Pick<Text, "findings" | "letters">): Measure[] {
  return text.findings
    .filter(({ severity }) => severity === "not_yet")
    .flatMap((finding) => measureOf(finding, text));
}

function measureOf({ code, index }: FindingInText, { letters }: Pick<Text, "letters">): Measure[] {
  const written = letters.filter(({ struck }) => !struck);
  const first = written[0];
  const last = written.at(-1);
  if (!first || !last) return [];
  if (code === "line_drift") {
    return [{ kind: "span", from: [first.box[0], first.box[1]], to: [last.box[2], last.box[1]] }];
  }
  if (index === null || index === undefined) return [];
  // A space's own place is the one after its left letter.
  const at = written.findLastIndex((letter) => letter.index <= index);
  const left = written[at];
  const right = written[at + 1];
  if (!left) return [];
  if ((code === "spacing" || code === "word_gap") && right) {
    return [{ kind: "span", from: [left.box[2], GAP_AT], to: [right.box[0], GAP_AT] }];
  }
  if (code === "join_broken" && right) {
    return [{ kind: "ring", at: [(left.box[2] + right.box[0]) / 2, GAP_AT] }];
  }
  if (code === "tails_uneven" || code === "reach_down") {
    const middle = (left.box[0] + left.box[2]) / 2;
    return [{ kind: "span", from: [middle, 0], to: [middle, left.box[1]] }];
  }
  return [];
}

export function Measures({ measures }: { measures: readonly Measure[] }) {
  return (
    <g className="fill-none stroke-ember" strokeWidth={2.5} strokeLinecap="round">
      {measures.map((measure, at) =>
        measure.kind === "ring" ? (
          <circle
            key={at}
            cx={measure.at[0]}
            cy={-measure.at[1]}
            r={RING}
            data-measure="ring"
            vectorEffect="non-scaling-stroke"
          />
        ) : (
          <path
            key={at}
            d={spanOf(measure)}
            data-measure="span"
            vectorEffect="non-scaling-stroke"
          />
        ),
      )}
    </g>
  );
}

/** A line with a short stroke across each end. */
function spanOf({ from, to }: Extract<Measure, { kind: "span" }>): string {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
  const [x, y] = [(-(to[1] - from[1]) / length) * 0.14, ((to[0] - from[0]) / length) * 0.14];
  const cross = ([px, py]: readonly [number, number]) =>
    `M${px - x} ${-(py - y)}L${px + x} ${-(py + y)}`;
  return `M${from[0]} ${-from[1]}L${to[0]} ${-to[1]}${cross(from)}${cross(to)}`;
}
