/** A long line in rows: how many there must be, and how it is put together again. */
import { expect, test } from "vitest";

import type { InkStroke } from "../api/schema";
import { rowHeight } from "./padGeometry";
import { LINES } from "../test/samples";
import { onOneLine, rowsFor } from "./longLine";

const HEIGHT = rowHeight(LINES);

const stroke = (x: number, row: number, y = 1, to = 0): InkStroke => ({
  points: [
    [x, y - row * HEIGHT, 0, null],
    [x, to - row * HEIGHT, 90, null],
  ],
});

test("a short word has one row, a sentence as many as it needs, never more than four", () => {
  const size = { width: 900, height: 400 };
  expect(rowsFor(3, LINES, size)).toBe(1);
  expect(rowsFor(18, LINES, size)).toBe(2);
  expect(rowsFor(900, LINES, size)).toBe(4);
});

test("what is in one row stays as it is", () => {
  const ink = [stroke(0.4, 0), stroke(3, 0)];
  expect(onOneLine(ink, LINES, 1)).toEqual(ink);
});

test("the next row goes on after the last letter, a word's space away, on the same base line", () => {
  const [, , third] = onOneLine([stroke(0.4, 0), stroke(3, 0), stroke(0.5, 1)], LINES, 2);
  const [x, y] = third?.points[0] ?? [];
  expect(x).toBeCloseTo(4.1);
  expect(y).toBeCloseTo(1);
});

test("a tail that reaches into the row below belongs to its letter", () => {
  const [tail] = onOneLine([stroke(1, 0, 1, -2.2)], LINES, 2);
  expect(tail?.points.map(([, y]) => y)).toEqual([1, -2.2]);
});

test("an empty row leaves no hole", () => {
  const [first, second] = onOneLine([stroke(1, 0), stroke(1, 2)], LINES, 3);
  expect((second?.points[0]?.[0] ?? 0) - (first?.points[0]?.[0] ?? 0)).toBeCloseTo(1.1);
});
