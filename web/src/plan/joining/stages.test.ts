import { expect, test } from "vitest";

import { movedStage, withParts } from "./stages";

const PLAN = [["c", "a"], ["ca"], ["n"]];

test("a stage moves, and stays where there is no place", () => {
  expect(movedStage(PLAN, 2, -1)).toEqual([["c", "a"], ["n"], ["ca"]]);
  expect(movedStage(PLAN, 0, -1)).toBe(PLAN);
  expect(movedStage(PLAN, 2, 1)).toBe(PLAN);
});

test("what is typed is taken apart at spaces and commas; nothing changes nothing", () => {
  expect(withParts(PLAN, 1, " ca, ad  ,da ")).toEqual([["c", "a"], ["ca", "ad", "da"], ["n"]]);
  expect(withParts(PLAN, 1, " , ")).toBe(PLAN);
});
