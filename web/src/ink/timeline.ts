/** When each piece of a movement is drawn. Pure: a clock goes in, what is to be seen comes out. */
import type { Point } from "../api/client";
import { lengthOf } from "./geometry";

export interface Piece {
  stroke: number;
  move: number;
  points: readonly Point[];
  start_s: number;
  end_s: number;
}

export interface Timeline {
  pieces: readonly Piece[];
  total_s: number;
}

/** u a second at speed 1: about as fast as a teacher draws while speaking. */
const PACE = 1.5;
const PAUSE_BETWEEN_MOVES_S = 0.45;

/** The moves of a letter one after another, with a breath between them. */
export function letterTimeline(
  strokes: readonly (readonly { points: readonly Point[] }[])[],
  speed: number,
): Timeline {
  const pieces: Piece[] = [];
  let clock = 0.2;
  strokes.forEach((stroke, strokeIndex) => {
    stroke.forEach(({ points }, move) => {
      const end = clock + Math.max(0.25, lengthOf(points) / PACE) / speed;
      pieces.push({ stroke: strokeIndex, move, points, start_s: clock, end_s: end });
      clock = end + PAUSE_BETWEEN_MOVES_S / speed;
    });
  });
  return { pieces, total_s: pieces.at(-1)?.end_s ?? 0 };
}

/** Ink as it was written: by its own times, or at an even pace where it came without. */
export function inkTimeline(
  strokes: readonly { points: readonly Point[]; times: readonly number[] | null }[],
): Timeline {
  const first = strokes[0]?.times?.[0] ?? 0;
  let clock = 0;
  const pieces = strokes.map(({ points, times }, stroke): Piece => {
    const start = times?.[0] === undefined ? clock : times[0] - first;
    const end = times?.length
      ? (times.at(-1) ?? first) - first
      : start + Math.max(0.1, lengthOf(points) / (2 * PACE));
    clock = end + 0.2;
    return { stroke, move: 0, points, start_s: start, end_s: end };
  });
  return { pieces, total_s: pieces.at(-1)?.end_s ?? 0 };
}

/** The share of a piece that is drawn at a time: 0 before it, 1 after it. */
export function drawnShare(piece: Piece, time_s: number): number {
  if (time_s >= piece.end_s) return 1;
  if (time_s <= piece.start_s) return 0;
  return (time_s - piece.start_s) / (piece.end_s - piece.start_s);
}

/** Which piece the pen is in at a time, or has just finished; -1 before the first. */
export function currentPiece(timeline: Timeline, time_s: number): number {
  return timeline.pieces.findLastIndex((piece) => time_s > piece.start_s);
}

/** The end of the next piece after a time, or of the one before: where stepping leads. */
export function stepFrom(timeline: Timeline, time_s: number, by: 1 | -1): number {
  const ends = timeline.pieces.map((piece) => piece.end_s);
  if (by === 1) return ends.find((end) => end > time_s + 0.01) ?? timeline.total_s;
  return ends.findLast((end) => end < time_s - 0.01) ?? 0;
}
