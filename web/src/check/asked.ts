/** What of the class's writing lies on the table, as the address says it. Pure. */
import type { TableAsked } from "../api/tableQueries";

/** The parts of an address that say what is wanted, as the server has them. */
const NAMES = ["letter", "pair", "kind", "finding", "help", "source", "begin", "end"] as const;
export type Chosen = (typeof NAMES)[number];

export const SHOWN = [
  { value: "all", label: "All" },
  { value: "open", label: "Not judged yet" },
  { value: "newest", label: "Newest of each child" },
  { value: "aside", label: "Set aside" },
] as const;

export type Shown = (typeof SHOWN)[number]["value"];

export const shownOf = (search: URLSearchParams): Shown =>
  SHOWN.find(({ value }) => value === search.get("show"))?.value ?? "all";

/** Values that the address cannot have are the server's to refuse, in words. */
export function askedOf(search: URLSearchParams, letter: string | undefined): TableAsked {
  const asked: Record<string, string | number | boolean> = {};
  for (const name of NAMES) {
    const value = search.get(name);
    if (value) asked[name] = value;
  }
  for (const name of ["pupil", "lesson"]) {
    const value = Number(search.get(name));
    if (value) asked[name] = value;
  }
  if (letter) asked.letter = letter;
  const shown = shownOf(search);
  if (shown === "open") asked.judged = false;
  if (shown === "newest") asked.newest = true;
  if (shown === "aside") asked.set_aside = true;
  return asked;
}

/** The days to choose from: the last ones by themselves, and all since the first of some. */
export interface DayChoice {
  value: string;
  label: string;
}

const DAYS_NAMED = 8;

export function dayChoices(days: readonly string[]): DayChoice[] {
  const week = days[Math.min(4, days.length - 1)];
  const term = days.at(-1);
  return [
    ...days.slice(0, DAYS_NAMED).map((day) => ({ value: `${day} ${day}`, label: dayName(day) })),
    ...(week && days.length > 1
      ? [{ value: `${week} ${days[0] ?? week}`, label: "The last five days" }]
      : []),
    ...(term && days.length > DAYS_NAMED
      ? [{ value: `${term} ${days[0] ?? term}`, label: "The whole term" }]
      : []),
  ];
}

export function dayName(day: string): string {
  return new Date(`${day}T12:00`).toLocaleDateString("en-GB", {
    weekday: "short",
    day: "numeric",
    month: "short",
  });
}
