/** A letter that went wrong in a game: struck out with the next one beside it, or written over. */
import type { RulingLine as Line } from "../../api/schema";
import { useAlphabet } from "../../api/queries";
import { viewBoxOf, viewOf } from "../../ink/geometry";
import { PenLine } from "../../ink/PenLine";
import { RuledLines } from "../../ink/RuledLines";

const WRONG = "h";
const RIGHT = "n";
/** u: how far apart they stand where both are to be seen. */
const BESIDE = 1.6;
const STRIKE = [
  [-0.2, 0.1],
  [1, 1.5],
] as const;

export function StruckOrRubbed({ lines, rubbed }: { lines: readonly Line[]; rubbed: boolean }) {
  const groups = useAlphabet().data ?? [];
  const strokesOf = (letter: string) =>
    groups.flatMap(({ letters }) => letters).find((one) => one.letter === letter)?.strokes ?? [];
  const view = viewOf(lines, { left: -0.5, right: BESIDE + 1.2, bottom: 0, top: 1 }, 0);
  return (
    <svg viewBox={viewBoxOf(view)} className="h-20 w-auto" aria-hidden>
      <RuledLines lines={lines} />
      {strokesOf(WRONG).map((points, at) => (
        <PenLine
          key={at}
          points={points}
          width={0.13}
          className={rubbed ? "stroke-crease" : "stroke-ink"}
        />
      ))}
      {rubbed ? null : <PenLine points={STRIKE} width={0.1} className="stroke-ember" />}
      <g transform={rubbed ? undefined : `translate(${BESIDE} 0)`}>
        {strokesOf(RIGHT).map((points, at) => (
          <PenLine key={at} points={points} width={0.13} />
        ))}
      </g>
    </svg>
  );
}
