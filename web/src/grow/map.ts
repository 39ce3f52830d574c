/** What the parts of the map share: what is shown, in which place, and in which words. */
import type { MapOut, MapRow, LetterState } from "../api/schema";

export const SHOWN = [
  { value: "weakest", label: "All three" },
  { value: "direction", label: "Direction" },
  { value: "size", label: "Size" },
  { value: "shape", label: "Shape" },
  { value: "words", label: "In words" },
] as const;

export type Shown = (typeof SHOWN)[number]["value"];

/** A square: whose, and which letter's by its place on the map. */
export interface Place {
  pupilId: number;
  at: number;
}

export const STATE_NAMES: Record<LetterState, string> = {
  secure: "secure",
  nearly: "nearly there",
  not_yet: "not yet",
  unknown: "too little to say",
};

/** How a letter does in words, as against alone: by the marks of the map, in other words. */
const IN_WORDS = { holds: "secure", less: "not_yet", unknown: "unknown" } as const;
export const WORDS_NAMES: Record<LetterState, string> = {
  secure: "holds in words as alone",
  nearly: "",
  not_yet: "holds less in words than alone",
  unknown: "too few to say",
};

/** How a letter of a row stands, in what is shown. */
export function stateAt(row: MapRow, shown: Shown, at: number): LetterState {
  if (shown === "words") return IN_WORDS[row.in_words[at] ?? "unknown"];
  return row.states[shown][at] ?? "unknown";
}

/** What that is called. */
export function nameOf(state: LetterState, shown: Shown): string {
  return (shown === "words" ? WORDS_NAMES : STATE_NAMES)[state];
}

export function lettersOf(map: MapOut): string[] {
  return map.families.flatMap(({ letters }) => letters);
}

const RANK: Record<LetterState, number> = { unknown: 0, not_yet: 1, nearly: 2, secure: 3 };

/** Whether a letter stands better than it did. */
export function isUp(moved: { before: LetterState; now: LetterState }): boolean {
  return RANK[moved.now] > RANK[moved.before];
}

const DAY_MS = 86_400_000;

export function daysBetween(first: string, last: string): number {
  return Math.round((Date.parse(last) - Date.parse(first)) / DAY_MS);
}

export function dayAfter(first: string, days: number): string {
  return new Date(Date.parse(first) + days * DAY_MS).toISOString().slice(0, 10);
}

export function dayInWords(day: string): string {
  const form = {
    weekday: "short",
    day: "numeric",
    month: "long",
    year: "numeric",
    timeZone: "UTC",
  };
  return new Intl.DateTimeFormat("en-GB", form as Intl.DateTimeFormatOptions).format(
    Date.parse(day),
  );
}
