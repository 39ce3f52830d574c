/** The lines of the class's ruling, as SVG in u. They run on to the edges of what holds them. */
import type { RulingLine as Line } from "../api/schema";
import { isSquared, lineAt } from "./geometry";

/** u to either side: beyond any edge. */
export const FAR = 60;

export function RuledLines({ lines }: { lines: readonly Line[] }) {
  const squared = isSquared(lines);
  return (
    <g aria-hidden fill="none">
      {squared ? <Sides top={lineAt(lines, "top")} bottom={lineAt(lines, "drop")} /> : null}
      {lines
        .filter(({ look }) => look !== "hidden")
        .map(({ name, y, look }) => (
          <line
            key={name}
            x1={-FAR}
            x2={FAR}
            y1={-y}
            y2={-y}
            className={
              look === "coloured"
                ? "stroke-rule-warm"
                : name === "base"
                  ? "stroke-rule-deep"
                  : "stroke-rule"
            }
            strokeWidth={name === "base" ? 2 : 1.25}
            strokeDasharray={look === "dashed" ? "7 6" : undefined}
            vectorEffect="non-scaling-stroke"
          />
        ))}
    </g>
  );
}

/** The upright sides of the blocks, one u apart. */
function Sides({ top, bottom }: { top: number; bottom: number }) {
  const sides = Array.from({ length: FAR }, (_, at) => `M${at - FAR / 2} ${-bottom}V${-top}`);
  return (
    <path
      d={sides.join("")}
      className="stroke-rule-pale"
      strokeWidth={1.25}
      vectorEffect="non-scaling-stroke"
    />
  );
}
