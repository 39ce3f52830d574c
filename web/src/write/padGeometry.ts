/** How the ruling lies on a pad of some size: pure, so that any tablet's is easily tried. */
import type { Line } from "../api/client";
import { lineAt } from "../ink/geometry";

/** CSS pixels of one u, and of the base line from the pad's top. */
export interface Ruled {
  unit_px: number;
  base_px: number;
}

/** u of free space above the top line and below the drop line: a child needs room to miss. */
const SPARE = 0.45;

export function ruledFor(lines: readonly Line[], height_px: number): Ruled {
  const top = lineAt(lines, "top") + SPARE;
  const drop = lineAt(lines, "drop") - SPARE;
  const unit_px = height_px / (top - drop);
  return { unit_px, base_px: top * unit_px };
}
