/** Where a stroke begins. A dot is its own beginning: it is marked small, in its middle. */
import type { Point } from "./geometry";
import { boxOf, isDot } from "./geometry";

const ON_A_DOT = 0.05;

export function StartDot({ points, r }: { points: readonly Point[]; r: number }) {
  const start = points[0];
  if (!start) return null;
  const { left, right, bottom, top } = boxOf([points]);
  const dot = isDot(points);
  return (
    <circle
      cx={dot ? (left + right) / 2 : start[0]}
      cy={-(dot ? (bottom + top) / 2 : start[1])}
      r={dot ? ON_A_DOT : r}
      className="fill-ember"
    />
  );
}
