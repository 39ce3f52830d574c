/** Where a measure of a text is drawn: between the letters that it is about. */
import { expect, test } from "vitest";

import { foundInText, letterInText } from "../../test/textSamples";
import { measuresOf } from "./Measures";

const LETTERS = [
  letterInText(0, "h", [0, 0, 0.8, 1.9]),
  letterInText(1, "e", [1.2, 0, 2, 1]),
  letterInText(3, "y", [4, -1, 4.8, 1]),
];

const drawn = (code: Parameters<typeof foundInText>[0], index: number | null) =>
  measuresOf({ letters: LETTERS, findings: [foundInText(code, index)] });

test("a gap lies between its two letters, a space between its two words", () => {
  expect(drawn("spacing", 0)).toEqual([{ kind: "span", from: [0.8, 0.5], to: [1.2, 0.5] }]);
  expect(drawn("word_gap", 2)).toEqual([{ kind: "span", from: [2, 0.5], to: [4, 0.5] }]);
});

test("a broken join is ringed where it is", () => {
  const [ring] = drawn("join_broken", 0);
  expect(ring).toEqual({ kind: "ring", at: [1, 0.5] });
});

test("a tail is measured from the base line down", () => {
  expect(drawn("tails_uneven", 3)).toEqual([{ kind: "span", from: [4.4, 0], to: [4.4, -1] }]);
});

test("a drift goes from the first foot to the last", () => {
  expect(drawn("line_drift", null)).toEqual([{ kind: "span", from: [0, 0], to: [4.8, -1] }]);
});

test("what has no place is not drawn", () => {
  expect(drawn("spacing", 3)).toEqual([]);
  expect(drawn("size_uneven", 1)).toEqual([]);
});
