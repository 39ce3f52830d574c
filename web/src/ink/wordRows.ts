/** Words side by side on lines. Pure. */
import type { LetterDrawing as Letter } from "../api/schema";
import { boxOf, type Point } from "./geometry";

const SPACE = 0.9; // u: a finger's space

export interface Placed {
  letter: Letter;
  /** u: how far it is moved. */
  left: number;
}

/** The words side by side, broken where a line gets too long. */
export function rowsOf(words: Letter[], longest: number): Placed[][] {
  const rows: Placed[][] = [];
  let row: Placed[] = [];
  let right = 0;
  for (const letter of words) {
    const box = boxOf(letter.strokes.flat().map(({ points }) => points));
    const width = box.right - box.left;
    const start = row.length === 0 ? 0 : right + SPACE;
    if (row.length > 0 && start + width > longest) {
      rows.push(row);
      row = [];
    }
    const left = row.length === 0 ? 0 : start;
    row.push({ letter, left: left - box.left });
    right = left + width;
  }
  return row.length > 0 ? [...rows, row] : rows;
}

/** All strokes of a row, where they stand in it. */
export function strokesOf(row: readonly Placed[]): Point[][] {
  return row.flatMap(({ letter, left }) =>
    letter.strokes.flat().map(({ points }) => points.map(([x, y]): Point => [x + left, y])),
  );
}

/** Whether a word, with its marks, is the one that is left out. */
export function isGap(word: string, gap: string): boolean {
  return gap !== "" && word.replace(/[.,!?]+$/, "") === gap;
}
