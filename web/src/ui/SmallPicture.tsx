/** A letter, pair or word as it is written, small, on its lines. */
import type { Picture, RulingLine as Line } from "../api/schema";
import { boxOf, viewBoxOf, viewOf } from "../ink/geometry";
import { PenLine } from "../ink/PenLine";
import { RuledLines } from "../ink/RuledLines";

export function SmallPicture({
  picture,
  lines,
  className,
}: {
  picture: Picture;
  lines: readonly Line[];
  className: string;
}) {
  const view = viewOf(lines, boxOf(picture.strokes), 0.25);
  return (
    <svg viewBox={viewBoxOf(view)} className={`${className} w-auto`} aria-hidden>
      <RuledLines lines={lines} />
      {picture.strokes.map((points, at) => (
        <PenLine key={at} points={points} width={0.12} />
      ))}
    </svg>
  );
}
