/** The letters of the hand, drawn as they are taught, to choose one; it keeps to the station. */
import { useNavigate } from "react-router";

import { useClassroom, useLetter } from "../api/queries";
import { boxOf, viewBoxOf, viewOf } from "../ink/geometry";
import { PenLine } from "../ink/PenLine";
import { RuledLines } from "../ink/RuledLines";
import { Choice } from "./Choice";

export function LetterChoice({
  station,
  letter,
  vertical = false,
}: {
  station: string;
  letter: string;
  vertical?: boolean;
}) {
  const navigate = useNavigate();
  const letters = useClassroom().data?.letters ?? [];
  return (
    <Choice
      label="Letter"
      vertical={vertical}
      value={letter}
      onChange={(chosen) => void navigate(`/${station}/${encodeURIComponent(chosen)}`)}
      options={letters.map((one) => ({
        value: one,
        name: one,
        label: <SmallLetter letter={one} />,
      }))}
    />
  );
}

export function SmallLetter({ letter }: { letter: string }) {
  const drawing = useLetter(letter).data;
  if (!drawing) return <span className="inline-block h-10 w-9">{letter}</span>;
  const moves = drawing.strokes.flat();
  const box = boxOf(moves.map((move) => move.points));
  const spare = Math.max(0.2, (1.7 - (box.right - box.left)) / 2);
  const view = viewOf(drawing.lines, box, spare);
  return (
    <svg viewBox={viewBoxOf(view)} className="h-12 w-auto" aria-hidden>
      <RuledLines lines={drawing.lines} />
      {moves.map(({ points }, at) => (
        <PenLine key={at} points={points} width={0.15} />
      ))}
    </svg>
  );
}
