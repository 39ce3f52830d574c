/** A child's ink on its lines, the letter it was to be faintly under it. */
import type { AttemptOut as Attempt, LetterDrawing as Letter } from "../api/schema";
import { boxOf, upTo, viewBoxOf, viewOf } from "./geometry";
import { PenLine } from "./PenLine";
import { RuledLines } from "./RuledLines";
import { drawnShare, inkTimeline } from "./timeline";

const SMALLEST_WIDTH = 2;

export function InkOverModel({
  attempt,
  letter,
  time_s = Infinity,
  label,
  className,
}: {
  attempt: Pick<Attempt, "strokes" | "findings" | "source">;
  letter: Letter;
  time_s?: number;
  label: string;
  className?: string;
}) {
  const moves = letter.strokes.flat();
  const ink = boxOf(attempt.strokes.map((stroke) => stroke.points));
  const model = boxOf(moves.map((move) => move.points));
  const shift = ink.left + ink.right - model.left - model.right;
  const spare = Math.max(0.25, (SMALLEST_WIDTH - (ink.right - ink.left)) / 2);
  const view = viewOf(letter.lines, ink, spare);
  const first = attempt.findings[0];
  const timeline = inkTimeline(attempt.strokes);
  // Where a letter on paper begins nobody saw.
  const start = attempt.source === "scan" ? undefined : attempt.strokes[0]?.points[0];
  return (
    <svg viewBox={viewBoxOf(view)} className={className} role="img" aria-label={label}>
      <RuledLines lines={letter.lines} />
      <g transform={`translate(${shift / 2} 0)`}>
        {letter.strokes.map((stroke, strokeIndex) =>
          stroke.map(({ points }, move) => (
            <PenLine
              key={`${strokeIndex}.${move}`}
              points={points}
              width={0.13}
              className="stroke-rule-pale"
            />
          )),
        )}
        {first ? (
          <PenLine
            points={letter.strokes[first.stroke]?.[first.move]?.points ?? []}
            width={0.13}
            className="stroke-ember-pale"
          />
        ) : null}
      </g>
      {timeline.pieces.map((piece, at) => {
        const share = drawnShare(piece, time_s);
        return share > 0 ? (
          <PenLine key={at} points={upTo(piece.points, share)} width={0.055} />
        ) : null;
      })}
      {start ? <circle cx={start[0]} cy={-start[1]} r={0.075} className="fill-ink" /> : null}
    </svg>
  );
}
