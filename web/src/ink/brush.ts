/**
 * What a pen leaves behind: a line of varying width, its outline by perfect-freehand. Pure, but for
 * the canvas that is drawn on.
 */
import { getStroke } from "perfect-freehand";

import type { Point } from "./geometry";

/** How a place in u lies on a surface: px of a u, and px of the origin from the left and the top. */
export interface Frame {
  unit: number;
  left: number;
  base: number;
}

/** u: a child's pencil. */
const WIDTH = 0.085;

/** The outline of a stroke, px. Where the pen gave no force it is made up from its speed. */
export function outlineOf(points: readonly Point[], { unit, left, base }: Frame): number[][] {
  const forced = points.some(([, , , force]) => typeof force === "number");
  return getStroke(
    points.map(([x, y, , force]) => [left + x * unit, base - y * unit, force ?? 0.5]),
    {
      size: WIDTH * unit,
      thinning: 0.35,
      smoothing: 0.5,
      streamline: 0.15, // more would lag behind the pen
      simulatePressure: !forced,
    },
  );
}

type Curve = [number, number, number, number];

/** An outline with its corners cut to curves: of each the corner, and where the curve ends. */
export function rounded(outline: readonly number[][]): Curve[] {
  return outline.map(([ax = 0, ay = 0], at) => {
    const [bx = 0, by = 0] = outline[(at + 1) % outline.length] ?? [];
    return [ax, ay, (ax + bx) / 2, (ay + by) / 2];
  });
}

/** Fills an outline. */
export function fill(to: CanvasRenderingContext2D, outline: readonly number[][], colour: string) {
  const [first] = outline;
  if (!first) return;
  to.fillStyle = colour;
  to.beginPath();
  const [x = 0, y = 0] = first;
  to.moveTo(x, y);
  for (const curve of rounded(outline)) to.quadraticCurveTo(...curve);
  to.fill();
}
