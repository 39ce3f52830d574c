/** Words set on ruled lines, one after another, as the class would write them. */
import type { RulingLine as Line, Picture } from "../../api/schema";
import type { Point } from "../../ink/geometry";
import { boxOf, lineAt } from "../../ink/geometry";
import { PenLine } from "../../ink/PenLine";
import { RuledLines } from "../../ink/RuledLines";

/** u: between words, between rows, and the length of a row. */
const WORD_SPACE = 0.9;
const ROW_SPACE = 0.35;
const ROW_LENGTH = 22;

export function PreviewLines({
  lines,
  words,
}: {
  lines: readonly Line[];
  words: readonly Picture[];
}) {
  const top = lineAt(lines, "top");
  const rowHeight = top - lineAt(lines, "drop") + ROW_SPACE;
  const rows = rowsOf(words);
  return (
    <svg
      viewBox={`0 0 ${ROW_LENGTH} ${rows.length * rowHeight + ROW_SPACE}`}
      className="max-h-[26rem] w-full rounded-lg border-2 border-crease bg-leaf"
      preserveAspectRatio="xMinYMid"
      role="img"
      aria-label={`Preview: ${words.map((word) => word.text).join(" ")}`}
    >
      {rows.map((row, at) => (
        <g key={at} transform={`translate(0 ${at * rowHeight + ROW_SPACE + top})`}>
          <RuledLines lines={lines} />
          {row.map((points, stroke) => (
            <PenLine key={stroke} points={points} width={0.09} />
          ))}
        </g>
      ))}
    </svg>
  );
}

/** Strokes moved to their place, row by row. */
function rowsOf(words: readonly Picture[]): Point[][][] {
  const rows: Point[][][] = [[]];
  let x = WORD_SPACE / 2;
  for (const { strokes } of words) {
    const { left, right } = boxOf(strokes);
    if (x + right - left > ROW_LENGTH - WORD_SPACE / 2 && rows.at(-1)?.length) {
      rows.push([]);
      x = WORD_SPACE / 2;
    }
    const by = x - left;
    rows.at(-1)?.push(...strokes.map((points) => points.map(([px, y]): Point => [px + by, y])));
    x += right - left + WORD_SPACE;
  }
  return rows;
}
