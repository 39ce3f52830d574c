/** Something handed in, small: struck through where the child struck it, ringed where it chose it. */
import type { RulingLine as Line, WorkTold } from "../../api/schema";
import { boxOf, viewBoxOf, viewOf } from "../../ink/geometry";
import { PenLine } from "../../ink/PenLine";
import { ringOf } from "../../ink/ring";
import { RuledLines } from "../../ink/RuledLines";

const PEN = 0.12;

export function WorkPicture({
  work,
  lines,
  className,
}: {
  work: WorkTold;
  lines: readonly Line[];
  className: string;
}) {
  const { strokes } = work.picture;
  const box = boxOf(strokes);
  const [cx, cy] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
  const [rx, ry] = [(box.right - box.left) / 2 + 0.35, (box.top - box.bottom) / 2 + 0.25];
  return (
    <svg
      viewBox={viewBoxOf(viewOf(lines, box, 0.3))}
      className={`${className} w-auto shrink-0`}
      role="img"
      aria-label={`${work.letter}${work.struck ? ", struck through" : ""}${work.best ? ", chosen as the best" : ""}`}
    >
      <RuledLines lines={lines} />
      {strokes.map((points, at) => (
        <PenLine
          key={at}
          points={points}
          width={PEN}
          className={work.struck ? "stroke-soft" : "stroke-ink"}
        />
      ))}
      {work.struck ? (
        <path
          d={`M${String(box.left - 0.1)} ${String(-box.bottom)}L${String(box.right + 0.1)} ${String(-box.top)}`}
          className="stroke-ink"
          strokeWidth={PEN * 0.8}
        />
      ) : null}
      {work.best ? (
        <path
          d={ringOf(cx, cy, rx, ry)}
          className="fill-none stroke-ember"
          strokeWidth={PEN * 0.7}
        />
      ) : null}
    </svg>
  );
}
