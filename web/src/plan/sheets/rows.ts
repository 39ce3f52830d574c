/** Pure functions from a sheet to a sheet: what a teacher does to its rows. */
import type { OwnSheetIn, SheetRow } from "../../api/schema";

export const MODES = [
  { value: "trace", label: "to trace" },
  { value: "finish", label: "to finish" },
  { value: "own", label: "on their own" },
  { value: "recall", label: "heard" },
] as const;

export const MOST_LINES = 12;

/** What a new sheet begins with: a letter traced, finished, and then one's own. */
export function newSheet(letter: string): OwnSheetIn {
  return {
    title: letter,
    rows: (["trace", "finish", "own"] as const).map((mode) => newRow(letter, mode)),
    paper: "A4",
    left_handed: false,
    date_line: false,
    drawing_corner: false,
    home: false,
    week: false,
    strips: 1,
    colours: 1,
  };
}

function newRow(text: string, mode: SheetRow["mode"]): SheetRow {
  return { text, mode, lines: 1, gap: "" };
}

/** A row after the last, as that one is. */
export function withRow(sheet: OwnSheetIn): OwnSheetIn {
  const last = sheet.rows.at(-1);
  const row = newRow(last?.text ?? "a", last?.mode ?? "own");
  return { ...sheet, rows: [...sheet.rows, row] };
}

/** A row changed in part; what only what is heard has goes when it is not heard any more. */
export function changeRow(sheet: OwnSheetIn, at: number, part: Partial<SheetRow>): OwnSheetIn {
  return { ...sheet, rows: sheet.rows.map((row, place) => (place === at ? fit(row, part) : row)) };
}

function fit(row: SheetRow, part: Partial<SheetRow>): SheetRow {
  const changed = { ...row, ...part };
  return changed.mode === "recall" ? changed : { ...changed, picture: null, boxes: null };
}

/** A row gone; the last one stays: a sheet without any is none. */
export function withoutRow(sheet: OwnSheetIn, at: number): OwnSheetIn {
  if (sheet.rows.length === 1) return sheet;
  return { ...sheet, rows: sheet.rows.filter((_, place) => place !== at) };
}

/** A row one place up (-1) or down (1), where there is one. */
export function moveRow(sheet: OwnSheetIn, at: number, step: -1 | 1): OwnSheetIn {
  const row = sheet.rows[at];
  const to = at + step;
  if (!row || to < 0 || to >= sheet.rows.length) return sheet;
  const others = sheet.rows.filter((_, place) => place !== at);
  return { ...sheet, rows: [...others.slice(0, to), row, ...others.slice(to)] };
}
