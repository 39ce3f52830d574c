import { expect, test } from "vitest";

import type { FamilyIn } from "../../api/schema";
import { changeFamily, moveFamily, moveLetter, replaceFamily, stepLetter } from "./rearrange";

const family = (letters: string, exceptions: Record<string, string> = {}): FamilyIn => ({
  name: letters,
  why: "",
  letters: Array.from(letters),
  exceptions,
});
const FAMILIES = [family("ace", { e: "starts in the middle" }), family("nm"), family("")];
const shown = (families: readonly FamilyIn[]) => families.map(({ letters }) => letters.join(""));

test("a letter moves to another family, and its reason stays behind", () => {
  const moved = moveLetter(FAMILIES, "e", { family: 1, place: 1 });
  expect(shown(moved)).toEqual(["ac", "nem", ""]);
  expect(moved[0]?.exceptions).toEqual({});
});

test("a letter moves within its family, and its reason with it", () => {
  const moved = moveLetter(FAMILIES, "e", { family: 0, place: 0 });
  expect(shown(moved)).toEqual(["eac", "nm", ""]);
  expect(moved[0]?.exceptions).toEqual({ e: "starts in the middle" });
});

test("a letter can be in no family, and come back", () => {
  const out = moveLetter(FAMILIES, "c", null);
  expect(shown(out)).toEqual(["ae", "nm", ""]);
  expect(shown(moveLetter(out, "c", { family: 2, place: 0 }))).toEqual(["ae", "nm", "c"]);
});

test.each([
  [{ along: 1 }, ["cae", "nm", ""]],
  [{ along: -1 }, ["ace", "nm", ""]],
  [{ down: 1 }, ["ce", "anm", ""]],
  [{ down: -1 }, ["ace", "nm", ""]],
])("one step of %o", (step, after) => {
  expect(shown(stepLetter(FAMILIES, "a", step))).toEqual(after);
});

test("a step down into a shorter family comes to its end", () => {
  expect(shown(stepLetter(FAMILIES, "e", { down: 1 }))).toEqual(["ac", "nme", ""]);
});

test("families change places, are parted and renamed", () => {
  expect(shown(moveFamily(FAMILIES, 0, 1))).toEqual(["nm", "ace", ""]);
  expect(shown(moveFamily(FAMILIES, 0, -1))).toEqual(["ace", "nm", ""]);
  expect(shown(replaceFamily(FAMILIES, 0, [family("a"), family("ce")]))).toEqual([
    "a",
    "ce",
    "nm",
    "",
  ]);
  expect(changeFamily(FAMILIES, 1, { name: "Arches" })[1]?.name).toBe("Arches");
});
