/** The one way to the server: typed by the generated schema, problems as errors. */
import createClient from "openapi-fetch";

import type { components, paths } from "./schema";

export type Schemas = components["schemas"];
export type Letter = Schemas["LetterDrawing"];
export type Attempt = Schemas["AttemptOut"];
export type AttemptIn = Schemas["AttemptIn"];
export type Finding = Schemas["FindingOut"];
export type Classroom = Schemas["ClassOut"];
export type Pupil = Schemas["PupilOut"];
export type Stage = Schemas["Stage"];
export type Verdicts = Schemas["Verdicts"];
export type Verdict = Schemas["Verdict"];
export type Help = Schemas["Help"];
export type Line = Schemas["RulingLine"];
export type JudgementIn = Schemas["JudgementIn"];
export type LetterGroup = Schemas["LetterGroup"];
export type Style = Schemas["StyleIn"];
export type Proportion = Schemas["Proportion"];
export type Picture = Schemas["Picture"];
export type LetterAlternatives = Schemas["LetterAlternatives"];
export type RulingKind = Schemas["RulingKind"];
export type LetterPage = Schemas["LetterPage"];
export type MoveWords = Schemas["MoveWordsOut"];
export type OwnWords = Schemas["OwnWordsIn"];
export type Word = Schemas["WordOut"];
export type Scheme = Schemas["SchemeOut"];
export type SchemeList = Schemas["SchemeList"];
export type Proposal = Schemas["ProposalOut"];
export type SchemeIn = Schemas["SchemeIn"];
export type FamilyIn = Schemas["FamilyIn"];
export type Family = Schemas["FamilyOut"];
export type Step = Schemas["StepOut"];
export type Cost = Schemas["CostOut"];
export type Today = Schemas["TodayOut"];
export type Lesson = Schemas["LessonOut"];
export type LessonIn = Schemas["LessonIn"];
export type LessonStep = Schemas["LessonStepOut"];
export type NewLesson = Schemas["NewLesson"];
export type Language = Schemas["LanguageIn"];
export type WordRow = Schemas["WordRow"];
export type PickedWord = Schemas["PickedOut"];
export type Grow = Schemas["GrowOut"];
export type BoardInk = Schemas["BoardInk"];
export type StepKind = Schemas["StepKind"];
export type Puzzle = Schemas["PuzzleOut"];
export type Point = [number, number];

/** What the server could not do, in the words it gave. */
export class ProblemError extends Error {
  readonly title: string;
  /** Each fault by itself, where there are several. */
  readonly where: readonly string[];
  constructor(title: string, detail: string, where: readonly string[] = []) {
    super(detail);
    this.title = title;
    this.where = where;
  }
}

const client = createClient<paths>({ baseUrl: "/" });

/**
 * The JSON that a path answers with, straight from the schema. (The client's own answer types
 * widen a point from a pair to any array.)
 */
type Ok<Path extends keyof paths, Method extends keyof paths[Path]> = paths[Path][Method] extends {
  responses: infer Responses;
}
  ? Responses extends Record<200, { content: { "application/json": infer Body } }>
    ? Body
    : Responses extends Record<201, { content: { "application/json": infer Body } }>
      ? Body
      : undefined
  : never;

/** The answer's data; throws a ProblemError where there was a problem. */
async function answered<Body>(
  asked: Promise<{ data?: unknown; error?: unknown; response: Response }>,
): Promise<Body> {
  const answer = await asked.catch(() => {
    throw new ProblemError("No answer", "First Loop does not answer. Is it still running?");
  });
  if (!answer.response.ok) {
    const { error } = answer;
    throw isProblem(error)
      ? new ProblemError(error.title, error.detail, error.where)
      : new ProblemError("Something failed", `The server answered ${answer.response.status}.`);
  }
  return answer.data as Body;
}

function isProblem(error: unknown): error is Schemas["Problem"] {
  return typeof error === "object" && error !== null && "title" in error && "detail" in error;
}

const CLASSROOM = "/api/classroom";
const STAGE = "/api/classroom/stage";
const PUPIL_STAGE = "/api/classroom/pupils/{pupil_id}/stage";
const STYLE = "/api/plan/style";
const PREVIEW = "/api/plan/preview";
const LETTER_PAGE = "/api/plan/letters/{letter}";
const OWN_WORDS = "/api/plan/words";
const SCHEMES = "/api/plan/schemes";
const SCHEME = "/api/plan/schemes/{key}";
const SPLIT = "/api/plan/schemes/{key}/split";
const PROPOSAL = "/api/plan/schemes/{key}/proposal";
const BROUGHT_SCHEME = "/api/plan/files/scheme";
const BROUGHT_HAND = "/api/plan/files/hand";
const OWN_HAND = "/api/plan/files/hand/{name}";
const LETTER = "/api/show/letters/{letter}";
const ALPHABET = "/api/show/alphabet";
const ATTEMPTS = "/api/check/letters/{letter}/attempts";
const TODAY = "/api/plan/today";
const LESSONS = "/api/plan/lessons";
const LESSON = "/api/plan/lessons/{lesson_id}";
const LANGUAGE = "/api/plan/language";
const TAUGHT = "/api/plan/taught";
const PICKER = "/api/plan/picker";
const SENTENCES = "/api/plan/sentences";
const TEXT = "/api/show/text";
const LESSON_PLACE = "/api/show/lessons/{lesson_id}/place";
const WRITTEN = "/api/show/lessons/{lesson_id}/written/{kind}";
const CHAIN = "/api/plan/chain";
const CHAIN_TO = "/api/plan/chain/{end}";
const MISSING_PAIRS = "/api/plan/missing-pairs";
const OWN_WORD_LIST = "/api/plan/own-words";
const OWN_WORD = "/api/plan/own-words/{text}";
const LESSON_CLOSE = "/api/show/lessons/{lesson_id}/close";
const GROW = "/api/grow";
const HAND_IN = "/api/write/attempts";
const HANDED_IN = "/api/write/attempts/{attempt_id}";
const JUDGEMENT = "/api/check/attempts/{attempt_id}/judgement";

/** Files to save, as addresses. */
export const files = {
  scheme: (key: string) => `/api/plan/files/scheme/${encodeURIComponent(key)}`,
  hand: (name: string) => `/api/plan/files/hand/${encodeURIComponent(name)}`,
  lesson: (id: number) => `/api/plan/lessons/${id}/page`,
  drawing: (text: string, animated: boolean) =>
    `/api/show/drawing?text=${encodeURIComponent(text)}&animated=${String(animated)}`,
  movement: (text: string) => `/api/show/movement?text=${encodeURIComponent(text)}`,
};

export const api = {
  classroom: () => answered<Ok<typeof CLASSROOM, "get">>(client.GET(CLASSROOM)),
  setStage: (stage: Stage) =>
    answered<Ok<typeof STAGE, "put">>(client.PUT(STAGE, { body: { stage } })),
  setPupilStage: (pupil_id: number, stage: Stage | null) =>
    answered<Ok<typeof PUPIL_STAGE, "put">>(
      client.PUT(PUPIL_STAGE, { params: { path: { pupil_id } }, body: { stage } }),
    ),
  style: () => answered<Ok<typeof STYLE, "get">>(client.GET(STYLE)),
  setStyle: (body: Style) => answered<Ok<typeof STYLE, "put">>(client.PUT(STYLE, { body })),
  preview: (style: Style, words: string[]) =>
    answered<Ok<typeof PREVIEW, "post">>(client.POST(PREVIEW, { body: { style, words } })),
  letterPage: (letter: string) =>
    answered<Ok<typeof LETTER_PAGE, "get">>(
      client.GET(LETTER_PAGE, { params: { path: { letter } } }),
    ),
  setWords: (body: OwnWords) =>
    answered<Ok<typeof OWN_WORDS, "put">>(client.PUT(OWN_WORDS, { body })),
  schemes: () => answered<Ok<typeof SCHEMES, "get">>(client.GET(SCHEMES)),
  followScheme: (key: string) =>
    answered<Ok<typeof SCHEMES, "put">>(client.PUT(SCHEMES, { body: { key } })),
  copyScheme: (like: string, name: string) =>
    answered<Ok<typeof SCHEMES, "post">>(client.POST(SCHEMES, { body: { like, name } })),
  scheme: (key: string) =>
    answered<Ok<typeof SCHEME, "get">>(client.GET(SCHEME, { params: { path: { key } } })),
  changeScheme: (key: string, body: SchemeIn) =>
    answered<Ok<typeof SCHEME, "put">>(client.PUT(SCHEME, { params: { path: { key } }, body })),
  deleteScheme: (key: string) =>
    answered<Ok<typeof SCHEME, "delete">>(client.DELETE(SCHEME, { params: { path: { key } } })),
  splitFamily: (key: string, family: number) =>
    answered<Ok<typeof SPLIT, "post">>(
      client.POST(SPLIT, { params: { path: { key } }, body: { family } }),
    ),
  proposeOrder: (key: string) =>
    answered<Ok<typeof PROPOSAL, "post">>(client.POST(PROPOSAL, { params: { path: { key } } })),
  bringScheme: (text: string) =>
    answered<Ok<typeof BROUGHT_SCHEME, "post">>(client.POST(BROUGHT_SCHEME, { body: { text } })),
  bringHand: (text: string) =>
    answered<Ok<typeof BROUGHT_HAND, "post">>(client.POST(BROUGHT_HAND, { body: { text } })),
  forgetHand: (name: string) =>
    answered<Ok<typeof OWN_HAND, "delete">>(
      client.DELETE(OWN_HAND, { params: { path: { name } } }),
    ),
  letter: (letter: string) =>
    answered<Ok<typeof LETTER, "get">>(client.GET(LETTER, { params: { path: { letter } } })),
  alphabet: () => answered<Ok<typeof ALPHABET, "get">>(client.GET(ALPHABET)),
  attempts: (letter: string) =>
    answered<Ok<typeof ATTEMPTS, "get">>(client.GET(ATTEMPTS, { params: { path: { letter } } })),
  today: () => answered<Ok<typeof TODAY, "get">>(client.GET(TODAY)),
  planLesson: (body: NewLesson) =>
    answered<Ok<typeof LESSONS, "post">>(client.POST(LESSONS, { body })),
  changeLesson: (lesson_id: number, body: LessonIn) =>
    answered<Ok<typeof LESSON, "put">>(
      client.PUT(LESSON, { params: { path: { lesson_id } }, body }),
    ),
  deleteLesson: (lesson_id: number) =>
    answered<Ok<typeof LESSON, "delete">>(
      client.DELETE(LESSON, { params: { path: { lesson_id } } }),
    ),
  setLanguage: (body: Language) =>
    answered<Ok<typeof LANGUAGE, "put">>(client.PUT(LANGUAGE, { body })),
  setTaught: (letters: string[]) =>
    answered<Ok<typeof TAUGHT, "put">>(client.PUT(TAUGHT, { body: { letters } })),
  picker: (part: string, untaught: number) =>
    answered<Ok<typeof PICKER, "get">>(
      client.GET(PICKER, { params: { query: { new: part, untaught } } }),
    ),
  sentences: (part: string) =>
    answered<Ok<typeof SENTENCES, "get">>(
      client.GET(SENTENCES, { params: { query: { new: part } } }),
    ),
  text: (text: string, other_hand: boolean) =>
    answered<Ok<typeof TEXT, "get">>(client.GET(TEXT, { params: { query: { text, other_hand } } })),
  /** From a word, or if that is empty from wherever there is a chain. */
  chain: (start: string, length: number, all_letters: boolean) =>
    answered<Ok<typeof CHAIN, "get">>(
      client.GET(CHAIN, { params: { query: { start: start || null, length, all_letters } } }),
    ),
  chainTo: (start: string, end: string, all_letters: boolean) =>
    answered<Ok<typeof CHAIN_TO, "get">>(
      client.GET(CHAIN_TO, { params: { path: { end }, query: { start, all_letters } } }),
    ),
  missingPairs: (all_letters: boolean) =>
    answered<Ok<typeof MISSING_PAIRS, "get">>(
      client.GET(MISSING_PAIRS, { params: { query: { all_letters } } }),
    ),
  ownWords: () => answered<Ok<typeof OWN_WORD_LIST, "get">>(client.GET(OWN_WORD_LIST)),
  addOwnWord: (noted: string) =>
    answered<Ok<typeof OWN_WORD_LIST, "post">>(client.POST(OWN_WORD_LIST, { body: { noted } })),
  removeOwnWord: (text: string) =>
    answered<Ok<typeof OWN_WORD, "delete">>(
      client.DELETE(OWN_WORD, { params: { path: { text } } }),
    ),
  written: (lesson_id: number, kind: StepKind) =>
    answered<Ok<typeof WRITTEN, "get">>(
      client.GET(WRITTEN, { params: { path: { lesson_id, kind } } }),
    ),
  keepWritten: (lesson_id: number, kind: StepKind, body: BoardInk) =>
    answered<Ok<typeof WRITTEN, "put">>(
      client.PUT(WRITTEN, { params: { path: { lesson_id, kind } }, body }),
    ),
  goTo: (lesson_id: number, at: number) =>
    answered<Ok<typeof LESSON_PLACE, "put">>(
      client.PUT(LESSON_PLACE, { params: { path: { lesson_id } }, body: { at } }),
    ),
  closeLesson: (lesson_id: number) =>
    answered<Ok<typeof LESSON_CLOSE, "post">>(
      client.POST(LESSON_CLOSE, { params: { path: { lesson_id } } }),
    ),
  grow: () => answered<Ok<typeof GROW, "get">>(client.GET(GROW)),
  handIn: (body: AttemptIn) => answered<Ok<typeof HAND_IN, "post">>(client.POST(HAND_IN, { body })),
  takeBack: (attempt_id: number) =>
    answered<Ok<typeof HANDED_IN, "delete">>(
      client.DELETE(HANDED_IN, { params: { path: { attempt_id } } }),
    ),
  judge: (attempt_id: number, body: JudgementIn) =>
    answered<Ok<typeof JUDGEMENT, "put">>(
      client.PUT(JUDGEMENT, { params: { path: { attempt_id } }, body }),
    ),
  withdrawJudgement: (attempt_id: number) =>
    answered<Ok<typeof JUDGEMENT, "delete">>(
      client.DELETE(JUDGEMENT, { params: { path: { attempt_id } } }),
    ),
};
