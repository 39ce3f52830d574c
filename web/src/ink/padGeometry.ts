/** How the ruling lies on a pad of some size: pure, so that any tablet's is easily tried. */
import type { RulingLine as Line } from "../api/schema";
import { lineAt } from "../ink/geometry";

/** CSS pixels of one u, and of the base line from the pad's top. */
export interface Ruled {
  unit_px: number;
  base_px: number;
}

/** u of free space above the top line and below the drop line: a child needs room to miss. */
const SPARE = 0.45;

/** The ruling on a pad; of several rows the first counts. */
export function ruledFor(lines: readonly Line[], height_px: number, rows = 1): Ruled {
  const unit_px = height_px / (rows * rowHeight(lines));
  return { unit_px, base_px: (lineAt(lines, "top") + SPARE) * unit_px };
}

/** u from one row's base line to the next. */
export function rowHeight(lines: readonly Line[]): number {
  return lineAt(lines, "top") - lineAt(lines, "drop") + 2 * SPARE;
}
