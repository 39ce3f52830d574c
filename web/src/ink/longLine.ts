/**
 * One long line on a pad that is not as long: it goes on in the row below, and is put together again
 * before it is sent. Pure.
 */
import type { InkStroke, RulingLine as Line } from "../api/schema";
import { boxOf, lineAt } from "./geometry";
import { rowHeight } from "./padGeometry";

/** u that a letter takes at most, with what is between; and between the last of a row and the next. */
const A_LETTER = 1.45;
const NEXT_WORD = 1.1;

const MOST_ROWS = 4;

/** Letters in a row of a row, where nobody says how many. */
const IN_A_ROW = 8;

/** How many characters there must be room for. */
export function lengthOf(kind: "row" | "word" | "sentence", target: string): number {
  return kind === "row" ? IN_A_ROW : target.length;
}

/** In how many rows a text finds room, on a pad of this size (px), as large as it can be. */
export function rowsFor(
  characters: number,
  lines: readonly Line[],
  size: { width: number; height: number },
): number {
  for (let rows = 1; rows < MOST_ROWS; rows++) {
    const unit = size.height / (rows * rowHeight(lines));
    if (rows * (size.width / unit) >= A_LETTER * characters) return rows;
  }
  return MOST_ROWS;
}

/** How large a u is (px) where so many characters find room on so many rows of a width. */
export function unitFor(characters: number, rows: number, width: number): number {
  return (rows * width) / (A_LETTER * Math.max(1, characters));
}

/** The row that a stroke was begun in: a tail may reach into the next, its letter does not. */
function rowOf({ points }: InkStroke, lines: readonly Line[], rows: number): number {
  const height = rowHeight(lines);
  const top = (height + lineAt(lines, "top") + lineAt(lines, "drop")) / 2;
  const row = Math.floor((top - (points[0]?.[1] ?? 0)) / height);
  return Math.min(rows - 1, Math.max(0, row));
}

/** The strokes of all rows on one line, each row after the one above it. */
export function onOneLine(
  strokes: readonly InkStroke[],
  lines: readonly Line[],
  rows: number,
): InkStroke[] {
  const placed = strokes.map((stroke) => ({ stroke, row: rowOf(stroke, lines, rows) }));
  const shifts: number[] = [];
  let right = 0;
  for (let row = 0; row < rows; row++) {
    const own = placed.filter((one) => one.row === row).map(({ stroke }) => stroke.points);
    const box = boxOf(own);
    shifts.push(row === 0 || right === 0 ? 0 : right + NEXT_WORD - box.left);
    if (own.length > 0) right = box.right + (shifts[row] ?? 0);
  }
  const height = rowHeight(lines);
  return placed.map(({ stroke, row }) => ({
    points: stroke.points.map(([x, y, ms, force]) => [
      x + (shifts[row] ?? 0),
      y + row * height,
      ms,
      force,
    ]),
  }));
}
