/** When each piece of a movement is drawn. Pure: a clock goes in, what is to be seen comes out. */
import type { MoveDrawing } from "../api/schema";
import { lengthOf, type Point } from "./geometry";

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

/** Seconds: before the first move, so that the eye is there; and at most between strokes of ink. */
const LEAD_S = 0.2;
const LONGEST_PAUSE_S = 1;

/** u a second, for ink that came without its times; seconds from one stroke of it to the next. */
const UNTIMED_PACE = 3;
const UNTIMED_PAUSE_S = 0.2;

/** The moves of a letter as a teacher draws them, at a speed; their times are the server's. */
export function letterTimeline(
  strokes: readonly (readonly Pick<MoveDrawing, "points" | "start_s" | "end_s">[])[],
  speed: number,
): Timeline {
  const pieces = strokes.flatMap((moves, stroke) =>
    moves.map(({ points, start_s, end_s }, move): Piece => ({
      stroke,
      move,
      points,
      start_s: LEAD_S + start_s / speed,
      end_s: LEAD_S + end_s / speed,
    })),
  );
  return { pieces, total_s: pieces.at(-1)?.end_s ?? 0 };
}

/** Ink as it was written: by its own times, long pauses cut short, or evenly where it has none. */
export function inkTimeline(strokes: readonly { points: readonly Point[] }[]): Timeline {
  let clock = 0;
  let before_ms: number | undefined;
  const pieces = strokes.map(({ points }, stroke): Piece => {
    const first = points[0]?.[2] ?? null;
    const last = points.at(-1)?.[2] ?? null;
    const timed = first !== null && last !== null;
    const pause = timed && before_ms !== undefined ? (first - before_ms) / 1000 : UNTIMED_PAUSE_S;
    const start = stroke === 0 ? 0 : clock + Math.min(LONGEST_PAUSE_S, Math.max(0, pause));
    const took = timed ? (last - first) / 1000 : Math.max(0.1, lengthOf(points) / UNTIMED_PACE);
    before_ms = last ?? undefined;
    clock = start + took;
    return { stroke, move: 0, points, start_s: start, end_s: clock };
  });
  return { pieces, total_s: clock };
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
