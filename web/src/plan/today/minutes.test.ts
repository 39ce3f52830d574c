import { expect, test } from "vitest";

import { inMinutes } from "./minutes";

test("halves are written as halves", () => {
  expect([0.5, 1, 1.5, 20].map(inMinutes)).toEqual(["½", "1", "1½", "20"]);
});
