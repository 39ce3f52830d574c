/** A line of ink through points, in u. */
import type { Point } from "./geometry";
import { pathOf } from "./geometry";

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
      strokeDasharray={dotted ? `0.001 ${width * 2}` : undefined}
    />
  );
}
