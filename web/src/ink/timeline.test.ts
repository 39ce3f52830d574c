import { describe, expect, test } from "vitest";

import type { Point } from "./geometry";
import { currentPiece, drawnShare, inkTimeline, letterTimeline, stepFrom } from "./timeline";

const DOWN: Point[] = [
  [0, 1],
  [0, 0],
];
const DOWN_XY = DOWN.map(([x, y]): [number, number] => [x, y]);
const move = (start_s: number) => ({ points: DOWN_XY, start_s, end_s: start_s + 0.6 });
const LETTER = [[move(0), move(1)], [move(2)]];

describe("a letter's timeline", () => {
  const timeline = letterTimeline(LETTER, 1);

  test("draws the moves at the server's times, after a first breath", () => {
    expect(timeline.pieces.map(({ start_s }) => start_s)).toEqual([0.2, 1.2, 2.2]);
  });

  test("draws one move after another", () => {
    expect(timeline.pieces.map(({ stroke, move }) => [stroke, move])).toEqual([
      [0, 0],
      [0, 1],
      [1, 0],
    ]);
    timeline.pieces.slice(1).forEach((piece, at) => {
      expect(piece.start_s).toBeGreaterThan(timeline.pieces[at]?.end_s ?? Infinity);
    });
  });

  test("takes half the time at twice the speed, but for its first breath", () => {
    const brisk = letterTimeline(LETTER, 2);
    expect(brisk.total_s - 0.2).toBeCloseTo((timeline.total_s - 0.2) / 2);
  });

  test("steps to the ends of moves, and stays within", () => {
    const ends = timeline.pieces.map((piece) => piece.end_s);
    expect(stepFrom(timeline, 0, 1)).toBe(ends[0]);
    expect(stepFrom(timeline, ends[0] ?? 0, 1)).toBe(ends[1]);
    expect(stepFrom(timeline, timeline.total_s, 1)).toBe(timeline.total_s);
    expect(stepFrom(timeline, ends[1] ?? 0, -1)).toBe(ends[0]);
    expect(stepFrom(timeline, ends[0] ?? 0, -1)).toBe(0);
  });

  test("knows the move the pen is in, and how much of it is drawn", () => {
    const [first] = timeline.pieces;
    if (!first) throw new Error("a letter without moves");
    const middle = (first.start_s + first.end_s) / 2;
    expect(currentPiece(timeline, 0)).toBe(-1);
    expect(currentPiece(timeline, middle)).toBe(0);
    expect(drawnShare(first, middle)).toBeCloseTo(0.5);
    expect(drawnShare(first, Infinity)).toBe(1);
  });
});

function timed(first_ms: number, last_ms: number): Point[] {
  return [
    [0, 1, first_ms, null],
    [0, 0, last_ms, null],
  ];
}

describe("ink's timeline", () => {
  test("cuts a long pause short: nobody waits a minute for the next stroke", () => {
    const timeline = inkTimeline([{ points: timed(0, 500) }, { points: timed(90_000, 90_500) }]);
    expect(timeline.pieces.map(({ start_s }) => start_s)).toEqual([0, 1.5]);
    expect(timeline.total_s).toBe(2);
  });

  test("follows the times it was written at, the pen in the air included", () => {
    const timeline = inkTimeline([
      { points: timed(10_000, 10_500) },
      { points: timed(11_000, 12_000) },
    ]);
    expect(timeline.pieces.map(({ start_s, end_s }) => [start_s, end_s])).toEqual([
      [0, 0.5],
      [1, 2],
    ]);
  });

  test("gives ink without times an even pace", () => {
    const timeline = inkTimeline([{ points: DOWN }, { points: DOWN }]);
    expect(timeline.pieces[1]?.start_s).toBeGreaterThan(timeline.pieces[0]?.end_s ?? Infinity);
  });
});
