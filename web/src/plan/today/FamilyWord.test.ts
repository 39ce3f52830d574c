import { expect, test } from "vitest";

import { numbered } from "./FamilyWord";

test("families are numbered as they are met, each once, and letters of none have no number", () => {
  const words = [{ families: ["Down", "Round", "Down"] }, { families: ["", "Slopes", "Round"] }];
  expect([...numbered(words)]).toEqual([
    ["Down", 1],
    ["Round", 2],
    ["Slopes", 3],
  ]);
});
