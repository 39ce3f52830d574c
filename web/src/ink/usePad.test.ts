import { expect, test } from "vitest";

import { type Pad, type PadStroke, pointsOf, reduce } from "./usePad";

const EMPTY: Pad = { strokes: [], wiped: [], finished: [] };
const force = [0.25, 0.5];

function stroke(x: number[], f: number[] | null = null): PadStroke {
  return { x, y: x.map(() => 1), t: x.map((_, at) => at / 10), f };
}

test("a stroke grows by what follows it, and is finished when the pen is up", () => {
  let pad = reduce(EMPTY, { type: "begin", stroke: stroke([0]) });
  pad = reduce(pad, { type: "extend", more: stroke([1, 2]) });
  expect(pad.strokes).toHaveLength(1);
  expect(pad.strokes[0]?.x).toEqual([0, 1, 2]);
  expect(pad.finished).toEqual([]);
  pad = reduce(pad, { type: "end" });
  expect(pad.finished).toBe(pad.strokes);
});

test("what follows no stroke is no stroke", () => {
  expect(reduce(EMPTY, { type: "extend", more: stroke([1]) })).toBe(EMPTY);
});

test("force is kept only while every part of a stroke has it", () => {
  const begun = reduce(EMPTY, { type: "begin", stroke: stroke([0, 1], force) });
  const both = reduce(begun, { type: "extend", more: stroke([2, 3], force) });
  expect(both.strokes[0]?.f).toEqual([...force, ...force]);
  const one = reduce(begun, { type: "extend", more: stroke([2, 3]) });
  expect(one.strokes[0]?.f).toBeNull();
});

test("what is wiped can be brought back until something else is written", () => {
  const written = reduce(EMPTY, { type: "begin", stroke: stroke([0, 1]) });
  const wiped = reduce(written, { type: "set", strokes: [] });
  expect(wiped.wiped).toBe(written.strokes);
  const back = reduce(wiped, { type: "set", strokes: wiped.wiped });
  expect(back.strokes).toBe(written.strokes);
  const other = reduce(wiped, { type: "begin", stroke: stroke([5]) });
  expect(other.wiped).toEqual([]);
});

test("points are pairs of the columns", () => {
  expect(pointsOf(stroke([0, 2]))).toEqual([
    [0, 1],
    [2, 1],
  ]);
});
