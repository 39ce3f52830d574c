/** Rows of one letter of the class's hand, as many as children write by themselves. */
import type { LetterGroup, RulingLine as Line } from "../../api/schema";
import { useAlphabet } from "../../api/queries";
import { boxOf, lineAt } from "../../ink/geometry";
import { PenLine } from "../../ink/PenLine";
import { RuledLines } from "../../ink/RuledLines";
import { Failed } from "../../ui/states";

/** Letters that fill a row; of several rows, which are drawn smaller, more. */
const ONE_ROW = 9;
const OF_SEVERAL = 14;
/** u: between letters, and from row to row beyond the lines. */
const APART = 0.8;
const BETWEEN = 0.4;
const LETTER = "n";

export function RowPicture({
  lines,
  rows,
  letters,
  open,
}: {
  lines: readonly Line[];
  rows: number;
  /** How many there are of a few; null where they fill their rows. */
  letters: number | null;
  /** Whether nobody says where it ends: the last row fades. */
  open: boolean;
}) {
  const fill = rows === 1 ? ONE_ROW : OF_SEVERAL;
  const alphabet = useAlphabet();
  const strokes = strokesOf(LETTER, alphabet.data ?? []);
  const { left, right } = boxOf(strokes);
  const step = right - left + APART;
  const [top, drop] = [lineAt(lines, "top"), lineAt(lines, "drop")];
  const height = top - drop + BETWEEN;
  if (alphabet.isError) return <Failed of={[alphabet]} />;
  return (
    <svg
      viewBox={`0 0 ${fill * step} ${rows * height + BETWEEN}`}
      className="h-24 w-52"
      preserveAspectRatio="xMidYMid"
      aria-hidden
    >
      {Array.from({ length: rows }, (_, row) => (
        <g key={row} transform={`translate(0 ${row * height + BETWEEN + top})`}>
          <RuledLines lines={lines} />
          {Array.from({ length: letters ?? fill }, (_, at) => (
            <g
              key={at}
              transform={`translate(${at * step + APART / 2 - left} 0)`}
              opacity={open && row === rows - 1 ? Math.max(0, 1 - at / 8) : undefined}
            >
              {strokes.map((points, stroke) => (
                <PenLine key={stroke} points={points} width={0.16} />
              ))}
            </g>
          ))}
        </g>
      ))}
    </svg>
  );
}

function strokesOf(letter: string, groups: readonly LetterGroup[]) {
  const drawn = groups.flatMap(({ letters }) => letters).find((one) => one.letter === letter);
  return drawn?.strokes ?? [];
}
