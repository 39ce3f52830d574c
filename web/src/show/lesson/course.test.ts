/** The course by name: where the board is found again, and what is put together in its line. */
import { expect, test } from "vitest";

import { courseOf, lesson, step } from "../../test/samples";
import { groupsOf, placeOf } from "./course";

const STEPS = [step("settle"), step("show"), step("own"), step("close")];
const of = (kinds: ("show" | "own")[], part: string) =>
  courseOf(
    kinds.map((kind) => step(kind)),
    [part],
  ).map((stop) => ({ ...stop, part }));
const [settle, close] = [courseOf([step("settle")]), courseOf([step("close")])];
const BY_LETTER = lesson({
  steps: STEPS,
  course: [...settle, ...of(["show", "own"], "n"), ...of(["show", "own"], "m"), ...close],
});
const BY_STEP = lesson({
  steps: STEPS,
  rounds: "by_step",
  course: [
    ...settle,
    ...of(["show"], "n"),
    ...of(["show"], "m"),
    ...of(["own"], "n"),
    ...of(["own"], "m"),
    ...close,
  ],
});

const names = (groups: ReturnType<typeof groupsOf>) =>
  groups.map(({ name, places }) => `${name} ${places.join("")}`);

test("letter by letter what is done with one letter stands together", () => {
  expect(names(groupsOf(BY_LETTER))).toEqual([
    "The settle step 0",
    "n 12",
    "m 34",
    "The close step 5",
  ]);
});

test("step by step the letters that a step comes round to stand together", () => {
  expect(names(groupsOf(BY_STEP))).toEqual([
    "The settle step 0",
    "The show step 12",
    "The own step 34",
    "The close step 5",
  ]);
});

test("the board is found again by step and letter, else by step, else at the beginning", () => {
  expect(placeOf({ ...BY_LETTER, at: "own", part: "m" })).toBe(4);
  expect(placeOf({ ...BY_LETTER, at: "own", part: "r" })).toBe(2);
  expect(placeOf({ ...BY_LETTER, at: "words", part: null })).toBe(0);
});
