/** How much of a word is written with its first sounds. */
import { expect, test } from "vitest";

import { word } from "../../test/samples";
import { writtenBy } from "./sounds";

const drawn = (...strokes: number[][]) => ({
  strokes: strokes.map((of) => of.map((one) => ({ of: one }))),
});

test("a sound brings all moves of its letters", () => {
  const ship = word("ship", ["sh", "i", "p"]);
  const moves = drawn([0, 0], [1, 1, 1], [2], [2], [3, 3]);
  expect([0, 1, 2, 3].map((sounds) => writtenBy(moves, ship, sounds))).toEqual([0, 5, 7, 9]);
});

test("dots wait for the end, and so does the second half of a split pair for what is between", () => {
  const joined = drawn([0, 0, 1, 1, 2], [1]);
  expect(writtenBy(joined, word("pin"), 2)).toBe(4);
  expect(writtenBy(joined, word("pin"), 3)).toBe(6);
  const made = {
    graphemes: [
      { letters: "m", at: [0] },
      { letters: "ae", at: [1, 3] },
      { letters: "d", at: [2] },
    ],
  };
  const moves = drawn([0], [1], [2], [3]);
  expect([1, 2, 3].map((sounds) => writtenBy(moves, made, sounds))).toEqual([1, 2, 4]);
});
