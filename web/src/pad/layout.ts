/** How cells lie on a sheet of some size: pure, so that any tablet, upright or not, is tried. */
import type { PadLine, RulingLine as Line } from "../api/schema";
import { isSquared, lineAt, squaresFor } from "../ink/geometry";
import { rowHeight } from "../ink/padGeometry";

/** px of a u, at most: a letter is written by the wrist, not by the arm. */
const LARGEST_UNIT = 120;

/** u of the narrowest letter; and beside a letter in its cell, at least and where there is room: a
 * child needs room to miss, and letters a gap. */
const NARROWEST = 0.6;
const BESIDE = 1;
const WITH_ROOM = 2;

/** Cells of a page: more are on the next. */
const A_PAGE = 12;

/** Squares that stay free after a letter. */
const FREE = 1;

/** Of a page without an end. */
const NO_LIMIT = 8;

export interface Cells {
  unit: number;
  columns: number;
  rows: number;
  /** u: width of a cell, height of a row, from a row's top to its base line. */
  width: number;
  height: number;
  drop: number;
  /** u of a cell that the letter is to fill: on squares its own, and the next one stays free. */
  own: number;
  /** px: where the first cell begins. */
  left: number;
  top: number;
  /** Of the first cell of the page among all. */
  first: number;
  count: number;
}

/** The class's lines as drawings take them. */
export function linesOf(lines: readonly PadLine[]): Line[] {
  return lines.map(({ name, u, look }) => ({ name, y: u, look }));
}

/** Cells for a letter of some width (u), as large as they can be; the page that the active is on. */
export function cellsFor(
  size: { width: number; height: number },
  lines: readonly Line[],
  letter: number,
  {
    enough,
    active,
    timesAsHigh = 1,
  }: {
    enough: number | null;
    active: number;
    /** How much larger than the class's lines a child's own are: then fewer stand on a page. */
    timesAsHigh?: number;
  },
): Cells {
  const all = enough ?? NO_LIMIT;
  const aPage = Math.floor(A_PAGE / timesAsHigh ** 2);
  const count = Math.max(1, Math.min(all, aPage));
  const wide = Math.max(letter, NARROWEST);
  const squares = isSquared(lines) ? squaresFor(wide) : null;
  const [least, height] = [squares ? squares + FREE : wide + BESIDE, rowHeight(lines)];
  let best = { unit: 0, rows: 1, columns: count };
  for (let rows = 1; rows <= count; rows++) {
    const columns = Math.ceil(count / rows);
    const unit = Math.min(size.height / (rows * height), size.width / (columns * least));
    if (unit > best.unit) best = { unit, rows, columns };
  }
  const unit = Math.min(LARGEST_UNIT * timesAsHigh, best.unit);
  const width = squares ? least : Math.min(wide + WITH_ROOM, size.width / (best.columns * unit));
  return {
    ...best,
    unit,
    width,
    own: squares ?? width,
    height,
    drop: (height + lineAt(lines, "top") + lineAt(lines, "drop")) / 2,
    left: (size.width - best.columns * width * unit) / 2,
    top: (size.height - best.rows * height * unit) / 2,
    first: Math.floor(active / count) * count,
    count,
  };
}

/** px: the left edge of a cell, and its base line. */
export function placeOf(cells: Cells, cell: number): { left: number; base: number } {
  const at = cell - cells.first;
  return {
    left: cells.left + (at % cells.columns) * cells.width * cells.unit,
    base: cells.top + (Math.floor(at / cells.columns) * cells.height + cells.drop) * cells.unit,
  };
}

/** The cell that a place (px) is in, or the nearest. */
export function cellAt(cells: Cells, x: number, y: number): number {
  const column = (x - cells.left) / (cells.width * cells.unit);
  const row = (y - cells.top) / (cells.height * cells.unit);
  const at = within(row, cells.rows) * cells.columns + within(column, cells.columns);
  return cells.first + Math.min(at, cells.count - 1);
}

function within(place: number, count: number): number {
  return Math.min(count - 1, Math.max(0, Math.floor(place)));
}
