/** A text as it was written, on its lines; its letters can be pointed at, its gaps are measured. */
import type { LetterInText, RulingLine as Line, TextOut as Text } from "../../api/schema";
import { boxOf, viewBoxOf, viewOf } from "../../ink/geometry";
import { PenLine } from "../../ink/PenLine";
import { RuledLines } from "../../ink/RuledLines";
import { measuresOf, Measures } from "./Measures";

const INK_WIDTH = 0.07;

/** u round a letter's box, so that the box does not cover its ink. */
const ROUND = 0.09;

export function TextInk({
  text,
  lines,
  chosen,
  onChoose,
  label,
  className,
}: {
  text: Text;
  lines: readonly Line[];
  /** The place of a letter among the letters. */
  chosen?: number;
  onChoose?: (place: number) => void;
  label: string;
  className?: string;
}) {
  const box = boxOf(text.strokes.map(({ points }) => points));
  const struck = new Set(text.marks.flatMap(({ strokes }) => strokes));
  return (
    <svg
      viewBox={viewBoxOf(viewOf(lines, box, 0.4, 0.35))}
      className={className}
      role="img"
      aria-label={label}
    >
      <RuledLines lines={lines} />
      <g transform={`translate(${text.left} 0)`}>
        {text.letters.map((letter, place) => (
          <LetterBox
            key={place}
            letter={letter}
            chosen={place === chosen}
            onChoose={
              onChoose &&
              (() => {
                onChoose(place);
              })
            }
          />
        ))}
      </g>
      <g className="pointer-events-none">
        {text.strokes.map((stroke, at) => (
          <PenLine
            key={at}
            points={stroke.points}
            width={INK_WIDTH}
            className={struck.has(at) ? "stroke-soft" : "stroke-ink"}
          />
        ))}
        <g transform={`translate(${text.left} 0)`}>
          <Measures measures={measuresOf(text)} />
        </g>
      </g>
    </svg>
  );
}

function LetterBox({
  letter,
  chosen,
  onChoose,
}: {
  letter: LetterInText;
  chosen: boolean;
  onChoose: (() => void) | undefined;
}) {
  const [left, bottom, right, top] = letter.box;
  const toMend = letter.findings.some(({ severity }) => severity === "not_yet");
  return (
    // The keys , and . do the same, on the whole page.
    <rect
      x={left - ROUND}
      y={-top - ROUND}
      width={right - left + 2 * ROUND}
      height={top - bottom + 2 * ROUND}
      rx={0.12}
      data-letter={letter.index}
      data-struck={letter.struck || undefined}
      onClick={onChoose}
      onPointerEnter={onChoose}
      className={
        chosen
          ? "fill-rule-wash stroke-ink"
          : toMend
            ? "fill-ember-wash stroke-none"
            : "fill-transparent"
      }
      strokeWidth={chosen ? 2 : 0}
      vectorEffect="non-scaling-stroke"
    />
  );
}
