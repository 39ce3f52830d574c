/** A line of ink through points, in u; dotted to be traced, but for a dot, which is one already. */
import type { Point } from "./geometry";
import { isDot, pathOf } from "./geometry";

export function PenLine({
  points,
  width,
  className = "stroke-ink",
  dotted = false,
}: {
  points: readonly Point[];
  width: number;
  className?: string;
  dotted?: boolean;
}) {
  return (
    <path
      d={pathOf(points)}
      className={className}
      fill="none"
      strokeWidth={width}
      strokeLinecap="round"
      strokeLinejoin="round"
      strokeDasharray={dotted && !isDot(points) ? `0.001 ${width * 2}` : undefined}
    />
  );
}
