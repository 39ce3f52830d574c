/** What is said of pages and cells that were read. */
import type { CellOut, PageOut, CellState } from "../../api/schema";

export const STATES: { value: CellState; label: string }[] = [
  { value: "written", label: "Written" },
  { value: "struck", label: "Struck out" },
  { value: "empty", label: "Empty" },
];

const COUNTED: { state: CellState; words: string }[] = [
  { state: "written", words: "written" },
  { state: "struck", words: "struck out" },
  { state: "unreadable", words: "not readable" },
];

/** How many cells of a page are what: "14 written, 2 struck out". */
export function statesInWords(page: PageOut): string {
  const told = COUNTED.flatMap(({ state, words }) =>
    page.states[state] ? [`${page.states[state]} ${words}`] : [],
  );
  return told.join(", ") || "nothing written";
}

/** What stands in a cell, for who does not see it. */
export function cellInWords(cell: CellOut): string {
  const place = `${cell.target}, row ${cell.row + 1}, ${cell.cell + 1}`;
  if (cell.state !== "written") return `${place}: ${cell.state}`;
  if (!cell.verdict) return `${place}: traced`;
  const { size, shape } = cell.verdict;
  const words = (verdict: string | undefined) => (verdict ?? "unseen").replace("_", " ");
  return `${place}: size ${words(size)}, shape ${words(shape)}${cell.chosen ? ", chosen" : ""}`;
}

/** How near the dots a traced line stayed, in words. */
export function keptInWords(kept: number): string {
  if (kept < 0.06) return "It stayed on the dots.";
  return kept < 0.15 ? "It went beside the dots here and there." : "It left the dots.";
}
