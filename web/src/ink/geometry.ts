/** Pure functions from points (u, y up) to what is drawn. Tested without a browser. */
import type { RulingLine as Line } from "../api/schema";

/** A place, u, y up; of ink, with its time and force behind it. */
export type Point = readonly [x: number, y: number, ...more: (number | null)[]];

export interface Box {
  left: number;
  right: number;
  bottom: number;
  top: number;
}

/** An SVG path through the points; y is turned, as SVG counts downwards. */
export function pathOf(points: readonly Point[]): string {
  return points.map(([x, y], at) => `${at ? "L" : "M"}${round(x)} ${round(-y)}`).join("");
}

function round(value: number): number {
  return Math.round(value * 1000) / 1000 || 0;
}

export function boxOf(strokes: readonly (readonly Point[])[]): Box {
  const box = { left: Infinity, right: -Infinity, bottom: Infinity, top: -Infinity };
  for (const [x, y] of strokes.flat()) {
    box.left = Math.min(box.left, x);
    box.right = Math.max(box.right, x);
    box.bottom = Math.min(box.bottom, y);
    box.top = Math.max(box.top, y);
  }
  return Number.isFinite(box.left) ? box : { left: 0, right: 0, bottom: 0, top: 0 };
}

/** The height of a ruled line, u. */
export function lineAt(lines: readonly Line[], name: Line["name"]): number {
  return lines.find((line) => line.name === name)?.y ?? 0;
}

/**
 * A box that holds all lines and the ink, u: `margin` at the sides, `room` above and below.
 */
export function viewOf(lines: readonly Line[], box: Box, margin: number, room = 0.12): Box {
  return {
    left: box.left - margin,
    right: box.right + margin,
    bottom: Math.min(lineAt(lines, "drop"), box.bottom) - room,
    top: Math.max(lineAt(lines, "top"), box.top) + room,
  };
}

export function viewBoxOf(box: Box): string {
  return `${box.left} ${-box.top} ${box.right - box.left} ${box.top - box.bottom}`;
}

/** u: a shorter stroke is a dot, and goes nowhere. */
const A_DOT = 0.15;

/** Whether a line goes nowhere: a tap, or a dot as it is pressed. */
export function isDot(points: readonly Point[]): boolean {
  const { left, right, bottom, top } = boxOf([points]);
  return right - left < A_DOT && top - bottom < A_DOT;
}

export function lengthOf(points: readonly Point[]): number {
  let length = 0;
  let from = points[0];
  for (const to of points) {
    if (from) length += distance(from, to);
    from = to;
  }
  return length;
}

/** The part of a path up to a share of its length; its last point is where the pen is. */
export function upTo(points: readonly Point[], share: number): Point[] {
  if (share >= 1) return [...points];
  let left = Math.max(0, share) * lengthOf(points);
  const drawn: Point[] = [];
  for (const to of points) {
    const from = drawn.at(-1) ?? to;
    const step = distance(from, to);
    if (drawn.length && step >= left) {
      const part = step > 0 ? left / step : 0;
      drawn.push([from[0] + part * (to[0] - from[0]), from[1] + part * (to[1] - from[1])]);
      return drawn;
    }
    drawn.push(to);
    left -= step;
  }
  return drawn;
}

/** A point at a share of a path's length and the direction of travel there, degrees, y up. */
export function headingAt(points: readonly Point[], share: number): { at: Point; deg: number } {
  const before = upTo(points, Math.max(0, share - 0.02)).at(-1) ?? [0, 0];
  const after = upTo(points, Math.min(1, share + 0.02)).at(-1) ?? [0, 0];
  const deg = (Math.atan2(after[1] - before[1], after[0] - before[0]) * 180) / Math.PI;
  return { at: upTo(points, share).at(-1) ?? [0, 0], deg };
}

export function distance(from: Point, to: Point): number {
  return Math.hypot(to[0] - from[0], to[1] - from[1]);
}

/** Whether the lines are those of block squares. */
export function isSquared(lines: readonly Pick<Line, "look">[]): boolean {
  return lines.some(({ look }) => look === "squared");
}

/** u: squares that a letter of some width fills side by side; a pen's breadth over does not count. */
export function squaresFor(width: number): number {
  return Math.max(1, Math.ceil(width - A_PEN));
}

const A_PEN = 0.1;
