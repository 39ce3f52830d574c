/** A few letters as large as they will stand on paper, as well as a screen knows millimetres. */
import type { RulingLine as Line, Picture } from "../../api/schema";
import { boxOf, viewBoxOf, viewOf } from "../../ink/geometry";
import { PenLine } from "../../ink/PenLine";
import { RuledLines } from "../../ink/RuledLines";

const LONGEST_U = 7;

export function TrueSize({
  word,
  lines,
  mm,
}: {
  word: Picture | undefined;
  lines: readonly Line[];
  mm: number;
}) {
  if (!word) return null;
  const whole = viewOf(lines, boxOf(word.strokes), 0.3);
  const view = { ...whole, right: Math.min(whole.right, whole.left + LONGEST_U) };
  return (
    <figure className="flex items-center gap-3">
      <figcaption className="text-sm text-soft">At {mm} mm</figcaption>
      <svg
        viewBox={viewBoxOf(view)}
        style={{ height: `${(view.top - view.bottom) * mm}mm` }}
        className="w-auto border-2 border-crease bg-leaf"
        aria-hidden
      >
        <RuledLines lines={lines} />
        {word.strokes.map((points, at) => (
          <PenLine key={at} points={points} width={0.09} />
        ))}
      </svg>
    </figure>
  );
}
