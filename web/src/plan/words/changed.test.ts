import { expect, test } from "vitest";

import type { WordOut as Word } from "../../api/schema";
import { changedPlaces } from "./changed";

function word(...graphemes: string[]): Word {
  let at = 0;
  return {
    text: graphemes.join(""),
    by_heart: false,
    graphemes: graphemes.map((letters) => ({
      letters,
      at: Array.from(letters, () => at++),
    })),
  };
}

test("one sound changes, whether of one letter or of two", () => {
  expect(changedPlaces(word("ch", "i", "p"), word("sh", "i", "p"))).toEqual([0, 1]);
  expect(changedPlaces(word("sh", "i", "p"), word("sh", "o", "p"))).toEqual([2]);
  expect(changedPlaces(word("p", "i", "n"), word("p", "i", "ck"))).toEqual([2, 3]);
});

test("the first word of a chain changes nothing", () => {
  expect(changedPlaces(undefined, word("p", "i", "n"))).toEqual([]);
});
