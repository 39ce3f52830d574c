import { expect, test } from "vitest";

import type { Attempt } from "../api/client";
import { spread } from "./spread";

const VERDICTS = { direction: "secure", size: "secure", shape: "secure" } as const;

function attempt(id: number, name: string, judged = false): Attempt {
  return {
    id,
    pupil: { id: name.charCodeAt(0), name, handedness: "right", stage: null },
    letter: "n",
    help: "copy",
    written_at: "2026-11-20T09:00:00Z",
    strokes: [],
    reads_as: "n",
    checked: VERDICTS,
    held: VERDICTS,
    findings: [],
    say: "",
    judgement: judged
      ? { made_at: "2026-11-20T10:00:00Z", direction: null, size: null, shape: null, note: "" }
      : null,
  };
}

// As the server gives them: the newest first.
const ALL = [attempt(4, "Bram"), attempt(3, "Anouk", true), attempt(2, "Bram", true)];
const ids = (attempts: Attempt[]) => attempts.map((one) => one.id);

test("the newest of each child, by name", () => {
  expect(ids(spread(ALL, "newest", undefined))).toEqual([3, 4]);
});

test("those that nobody has looked at", () => {
  expect(ids(spread(ALL, "open", undefined))).toEqual([4]);
});

test("all of one child", () => {
  expect(ids(spread(ALL, "all", "Bram".charCodeAt(0)))).toEqual([4, 2]);
});
