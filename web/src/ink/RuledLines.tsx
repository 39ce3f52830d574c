/** The four lines, as SVG in u. They run on to the edges of whatever holds the drawing. */
import type { Line } from "../api/client";

const FAR = 60;

export function RuledLines({ lines }: { lines: readonly Line[] }) {
  return (
    <g aria-hidden>
      {lines.map(({ name, y }) => (
        <line
          key={name}
          x1={-FAR}
          x2={FAR}
          y1={-y}
          y2={-y}
          className={name === "base" ? "stroke-rule-deep" : "stroke-rule"}
          strokeWidth={name === "base" ? 2 : 1.25}
          strokeDasharray={name === "mid" ? "7 6" : undefined}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </g>
  );
}
