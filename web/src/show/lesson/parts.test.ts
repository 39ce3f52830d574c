import { expect, test } from "vitest";

import { modeAfter, modesOf } from "./modes";
import { lettersOf, partsOf } from "./parts";

test("a pair is shown as a pair, then letter by letter, and nothing twice", () => {
  expect(partsOf({ new: ["sh"] })).toEqual(["sh", "s", "h"]);
  expect(partsOf({ new: ["s", "sh"] })).toEqual(["s", "sh", "h"]);
  expect(lettersOf({ new: ["ee", "n"] })).toEqual(["e", "n"]);
});

test("the key goes round the ways of a step and comes back", () => {
  const seen = [modesOf("show")[0] ?? "write"];
  modesOf("show").forEach(() => {
    seen.push(modeAfter("show", seen.at(-1) ?? "shown"));
  });
  expect(new Set(seen).size).toBe(modesOf("show").length);
  expect(seen.at(-1)).toBe("shown");
  expect(modeAfter("settle", "shown")).toBe("shown");
});
