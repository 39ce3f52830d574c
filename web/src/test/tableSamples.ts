/** Small true answers about the table, for tests to vary. */
import type { CardOut, CodeOut, JudgementOut, TableOut, ThingsOut } from "../api/schema";
import { attempt, MILA, verdicts } from "./samples";

export function card(id: number, other: Partial<CardOut> = {}): CardOut {
  return {
    attempt_id: id,
    text_id: null,
    pupil_id: MILA.id,
    kind: "letter",
    target: "l",
    source: "pen",
    help: "copy",
    written_at: "2026-03-02T09:30:00+00:00",
    ...verdicts(),
    why: [],
    judged: false,
    overruled: false,
    set_aside: false,
    chosen: false,
    best: false,
    ...other,
  };
}

/** Piles by key, each with its cards. */
export function table(piles: Record<string, CardOut[]>, other: Partial<TableOut> = {}): TableOut {
  const cards = Object.values(piles).flat();
  return {
    cards,
    piles: Object.entries(piles).map(([key, of]) => ({
      key,
      name: key === "well" ? "Nothing to mend" : key === "first" ? "Look at these first" : key,
      cards: of.map((one) => cards.indexOf(one)),
    })),
    total: cards.length,
    begin: "2026-03-02",
    end: "2026-03-02",
    days: ["2026-03-02"],
    family: null,
    ...other,
  };
}

export function judgement(other: Partial<JudgementOut> = {}): JudgementOut {
  return {
    made_at: "2026-03-02T12:00:00+00:00",
    author: "Ms Reed",
    how: "seen",
    counts: true,
    ...verdicts(),
    spacing: null,
    line: null,
    joins: null,
    findings: {},
    note: "",
    say: "",
    set_aside: false,
    ...other,
  };
}

export const CODES: CodeOut[] = [
  {
    code: "start_place",
    name: "starts elsewhere",
    dimension: "direction",
    aspect: null,
    of_texts: false,
  },
  {
    code: "reach_up",
    name: "tall part off its line",
    dimension: "size",
    aspect: null,
    of_texts: false,
  },
  {
    code: "spacing",
    name: "space between letters",
    dimension: "size",
    aspect: "spacing",
    of_texts: true,
  },
];

/** Answers what is asked for with its ink: attempts of those ids. */
export function thingsOf(ids: readonly number[]): ThingsOut {
  return { attempts: ids.map((id) => attempt(id)), texts: [] };
}
