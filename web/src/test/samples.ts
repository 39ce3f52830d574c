/** Small true answers of the server, for tests to vary. */
import type {
  AttemptOut,
  ClassOut,
  FindingOut,
  LessonOut,
  LessonStep,
  StopOut,
  LetterDrawing,
  LetterGroup,
  PupilOut,
  RulingLine,
  StepKind,
  TodayOut,
  Verdicts,
  WordOut,
} from "../api/schema";

export const LINES: RulingLine[] = [
  { name: "top", y: 2, look: "solid" },
  { name: "mid", y: 1, look: "dashed" },
  { name: "base", y: 0, look: "solid" },
  { name: "drop", y: -1, look: "solid" },
];

const HERE = { tile: null, presence: "here", since: null } as const;
const AS_CLASS = {
  lines: "as_class",
  fewer: false,
  more_help: false,
  model_side: null,
  model_on: "left",
  stage: null,
} as const;
export const MILA: PupilOut = {
  ...HERE,
  id: 1,
  name: "Mila",
  handedness: "right",
  gets: AS_CLASS,
};
export const JORI: PupilOut = {
  ...HERE,
  id: 2,
  name: "Jori",
  handedness: "left",
  gets: { ...AS_CLASS, model_on: "right", stage: "beginning" },
};

export const CLASSROOM: ClassOut = {
  id: 1,
  is_made_up: false,
  name: "Reed class",
  hand: "plain",
  letters: ["l", "n"],
  lines: LINES,
  x_height_mm: 8,
  stage: "developing",
  pupils: [MILA, JORI],
  helps: false,
};

/** An l: one straight stroke down. */
export const L_DRAWING: LetterDrawing = {
  letter: "l",
  lines: LINES,
  phrase: "down to the line",
  spaces: [],
  strokes: [
    [
      {
        kind: "drop",
        of: 0,
        begin: "at the top line",
        words: "down to the line",
        points: [
          [0, 2],
          [0, 0],
        ],
        start_s: 0,
        end_s: 1,
        number: { at: [-0.2, 2], arrow: [0, 2], heading_deg: -90 },
      },
    ],
  ],
};

export const ALPHABET: LetterGroup[] = [
  { group: "small", letters: CLASSROOM.letters.map(smallPicture) },
  { group: "capital", letters: ["L", "N"].map(smallPicture) },
];

function smallPicture(letter: string) {
  return {
    letter,
    strokes: [
      [
        [0, 1],
        [0, 0],
      ] satisfies [number, number][],
    ],
  };
}

export function verdicts(all: Verdicts["shape"] = "secure", other: Partial<Verdicts> = {}) {
  return { direction: all, size: all, shape: all, ...other } satisfies Verdicts;
}

export function finding(other: Partial<FindingOut> = {}): FindingOut {
  return {
    code: "reach_up",
    dimension: "size",
    severity: "not_yet",
    stroke: 0,
    move: 0,
    measure: -0.6,
    limit: 0.3,
    unit: "u",
    note: "The stem stops short of the top line.",
    say: "Stretch it up to the top line.",
    other: null,
    ...other,
  };
}

export function attempt(id: number, other: Partial<AttemptOut> = {}): AttemptOut {
  return {
    id,
    pupil: MILA,
    letter: "l",
    kind: "letter",
    judged: true,
    text_id: null,
    source: "pen",
    help: "copy",
    written_at: "2026-03-02T09:30:00+00:00",
    strokes: [
      {
        points: [
          [0, 1.4, 0, null],
          [0, 0, 400, null],
        ],
      },
    ],
    reads_as: "l",
    checked: verdicts("secure", { size: "not_yet" }),
    held: verdicts("secure", { size: "not_yet" }),
    findings: [finding()],
    say: "Stretch it up to the top line.",
    judgement: null,
    ...other,
  };
}

export function word(text: string, sounds: string[] = Array.from(text), by_heart = false): WordOut {
  let at = 0;
  const graphemes = sounds.map((letters) => ({
    letters,
    at: Array.from(letters, () => at++),
  }));
  return { text, graphemes, by_heart };
}

export function step(kind: StepKind, other: Partial<LessonStep> = {}): LessonStep {
  return {
    kind,
    minutes: 2,
    skipped: false,
    note: "",
    title: `The ${kind} step`,
    what: `What is done in ${kind}`,
    ...other,
  };
}

/** A stop of the lesson on l. */
export function stop(kind: StepKind, other: Partial<StopOut> = {}): StopOut {
  const title = `The ${kind} step`;
  return {
    kind,
    part: null,
    title,
    name: title,
    note: "",
    showings: ["shown"],
    about: ["l"],
    parts: ["l"],
    letters: ["l"],
    minutes: 2,
    text: "l l l",
    rows: 1,
    told: [],
    for_her: [],
    doing: "watch",
    writings: [],
    tasks: [],
    rubbing_out: false,
    words: [],
    heard: false,
    ...other,
  };
}

/** The stops of steps, nothing coming round. */
export function courseOf(steps: readonly LessonStep[], about = ["l"]): StopOut[] {
  return steps
    .filter(({ skipped }) => !skipped)
    .map(({ kind, minutes, note }) =>
      stop(kind, { minutes, note, about, parts: about, letters: about }),
    );
}

export function lesson(other: Partial<LessonOut> = {}): LessonOut {
  const steps = other.steps ?? [step("settle"), step("show"), step("close")];
  return {
    shape: "full",
    rounds: "by_letter",
    aim: "",
    course: courseOf(steps, other.new),
    part: null,
    id: 7,
    day: "2026-03-02",
    new: ["l"],
    parts: ["l"],
    letters: ["l"],
    minutes: 15,
    spent: 15,
    steps,
    look_back: [],
    words: ["lid", "lip"],
    sounds: [word("lid"), word("lip")],
    sentence: { text: "Lil is in.", words: 3, notes: [] },
    prompt: "",
    picture: null,
    word_times: 1,
    to_the_end: false,
    gap: "",
    habit: null,
    load: { letters: 17, takes: 2, has: 4, pace: 10, says: [], cuts: [] },
    at: null,
    given: false,
    group: null,
    ...other,
  };
}

export function today(other: Partial<TodayOut> = {}): TodayOut {
  return {
    date_text: "Monday 2 March",
    language: { variety: "british", ordinal: false, stop: false, minutes: 15 },
    minutes_range: { shortest: 5, longest: 40, step: 0.5 },
    shapes: [
      { shape: "short", title: "Short", what: "The least of it.", teaches: true },
      { shape: "full", title: "Full", what: "All of it.", teaches: true },
      { shape: "look_back", title: "Look back", what: "Nothing new.", teaches: false },
      { shape: "mend", title: "Mend a habit", what: "One slip.", teaches: false },
      { shape: "words", title: "Words", what: "Words only.", teaches: false },
    ],
    families: [{ name: "Straight down", taught: ["i", "l"] }],
    taught: ["i", "n"],
    taught_words: [],
    free_prompts: [
      { prompt: "picture: boat", picture: "boat" },
      { prompt: "What can you hear?", picture: null },
    ],
    next: [],
    due: [],
    lesson: lesson(),
    of_groups: [],
    week: [],
    ...other,
  };
}
