/** Small true answers about texts, for tests to vary. */
import type { FindingInText, LetterInText, TextOut } from "../api/schema";
import { MILA, verdicts } from "./samples";

export function foundInText(
  code: FindingInText["code"],
  index: number | null,
  other: Partial<FindingInText> = {},
): FindingInText {
  return {
    code,
    dimension: "size",
    severity: "not_yet",
    stroke: 0,
    move: 0,
    measure: 1,
    limit: 0.1,
    unit: "u",
    note: `Note on ${code}.`,
    say: "Once more.",
    other: null,
    index,
    ...other,
  };
}

export function letterInText(
  index: number,
  target: string | null,
  box: LetterInText["box"],
  other: Partial<LetterInText> = {},
): LetterInText {
  return {
    index,
    target,
    reads_as: target,
    strokes: [index],
    box,
    verdict: verdicts("secure"),
    findings: [],
    struck: false,
    attempt_id: target === null ? null : 100 + index,
    ...other,
  };
}

/** The word he, well written. */
export function text(id: number, other: Partial<TextOut> = {}): TextOut {
  return {
    id,
    pupil: MILA,
    kind: "word",
    target: "he",
    help: "copy",
    judged: true,
    written_at: "2026-03-02T09:30:00+00:00",
    strokes: [
      {
        points: [
          [0, 1.9, 0, null],
          [0, 0, 300, null],
        ],
      },
    ],
    left: 0,
    reads_as: "he",
    verdict: verdicts("secure"),
    held: verdicts("secure"),
    findings: [],
    say: "Just right.",
    put_right: null,
    letters: [letterInText(0, "h", [0, 0, 0.8, 1.9]), letterInText(1, "e", [1.2, 0, 2, 1])],
    marks: [],
    row: null,
    aspects: { spacing: "secure", line: "secure", joins: "unseen" },
    judgement: null,
    ...other,
  };
}
