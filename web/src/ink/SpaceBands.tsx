/** The spaces between the lines that a letter fills, tinted from edge to edge. */
import type { LetterDrawing as Letter } from "../api/schema";
import { FAR } from "./RuledLines";
import { lineAt } from "./geometry";

const BETWEEN = {
  upper: ["top", "mid"],
  middle: ["mid", "base"],
  lower: ["base", "drop"],
} as const;

export function SpaceBands({ letter }: { letter: Letter }) {
  return (
    <g className="fill-honey/15" aria-hidden>
      {letter.spaces.map((space) => {
        const [above, below] = BETWEEN[space];
        const top = lineAt(letter.lines, above);
        const height = top - lineAt(letter.lines, below);
        return <rect key={space} x={-FAR} y={-top} width={2 * FAR} height={height} />;
      })}
    </g>
  );
}
