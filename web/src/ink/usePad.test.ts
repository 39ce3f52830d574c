import { expect, test } from "vitest";

import { inkOf, type Pad, type PadStroke, reduce } from "./usePad";

const EMPTY: Pad = { strokes: [], wiped: [], finished: [] };

function stroke(x: number[], from_ms = 0, force: number | null = null): PadStroke {
  return { points: x.map((one, at) => [one, 1, from_ms + 8 * at, force]) };
}

test("a stroke grows by what follows it, and is finished when the pen is up", () => {
  let pad = reduce(EMPTY, { type: "begin", stroke: stroke([0]) });
  pad = reduce(pad, { type: "extend", more: stroke([1, 2], 8) });
  expect(pad.strokes).toHaveLength(1);
  expect(pad.strokes[0]?.points.map(([x]) => x)).toEqual([0, 1, 2]);
  expect(pad.finished).toEqual([]);
  pad = reduce(pad, { type: "end" });
  expect(pad.finished).toBe(pad.strokes);
});

test("what follows no stroke is no stroke", () => {
  expect(reduce(EMPTY, { type: "extend", more: stroke([1]) })).toBe(EMPTY);
});

test("ink is sent with whole milliseconds since its first point, and with its force", () => {
  const [first, second] = inkOf([stroke([0, 1], 5000.4, 0.5), stroke([2], 5100.4)]);
  expect(first?.points).toEqual([
    [0, 1, 0, 0.5],
    [1, 1, 8, 0.5],
  ]);
  expect(second?.points).toEqual([[2, 1, 100, null]]);
  expect(inkOf([])).toEqual([]);
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
