import { describe, expect, it } from "vitest";

import type { LessonIn } from "../../api/client";
import { withStep, withStepMoved, withWord } from "./lesson";

const KINDS = ["settle", "show", "own"] as const;
const LESSON: LessonIn = {
  minutes: 10,
  steps: KINDS.map((kind) => ({ kind, minutes: 1, skipped: false, note: "" })),
  look_back: [],
  words: ["nap"],
  sentence: "",
  share_out: false,
};

const kinds = (lesson: LessonIn) => lesson.steps.map(({ kind }) => kind);

describe("a lesson changed", () => {
  it("moves a step, and no further than the ends", () => {
    expect(kinds(withStepMoved(LESSON, "settle", 1))).toEqual(["show", "settle", "own"]);
    expect(kinds(withStepMoved(LESSON, "own", 5))).toEqual(["settle", "show", "own"]);
    expect(kinds(withStepMoved(LESSON, "own", -9))).toEqual(["own", "settle", "show"]);
  });

  it("changes one step and no other", () => {
    const changed = withStep(LESSON, "show", { note: "slowly", skipped: true });
    expect(changed.steps[1]).toEqual({ kind: "show", minutes: 1, skipped: true, note: "slowly" });
    expect(changed.steps[0]).toBe(LESSON.steps[0]);
  });

  it("puts a word in and takes it out", () => {
    expect(withWord(LESSON, "nip").words).toEqual(["nap", "nip"]);
    expect(withWord(LESSON, "nap").words).toEqual([]);
  });
});
