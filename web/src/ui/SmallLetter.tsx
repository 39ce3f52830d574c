/** A letter as it is taught, small, on its lines. */
import { useAlphabet, useClassroom } from "../api/queries";
import { boxOf, viewBoxOf, viewOf } from "../ink/geometry";
import { PenLine } from "../ink/PenLine";
import { RuledLines } from "../ink/RuledLines";

const WIDTH = 2;

export function SmallLetter({ letter, className }: { letter: string; className: string }) {
  const lines = useClassroom().data?.lines ?? [];
  const alphabet = useAlphabet().data ?? [];
  const picture = alphabet.flatMap(({ letters }) => letters).find((one) => one.letter === letter);
  if (!picture) return <span className={className}>{letter}</span>;
  const box = boxOf(picture.strokes);
  const view = viewOf(lines, box, Math.max(0.15, (WIDTH - (box.right - box.left)) / 2));
  return (
    <svg viewBox={viewBoxOf(view)} className={`${className} w-auto`} aria-hidden>
      <RuledLines lines={lines} />
      {picture.strokes.map((points, at) => (
        <PenLine key={at} points={points} width={0.14} />
      ))}
    </svg>
  );
}
