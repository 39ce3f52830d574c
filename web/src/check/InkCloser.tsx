/** A letter large on its ruling: the model under it, the faulty move dotted, what was measured. */
import { useId } from "react";

import type { AttemptOut as Attempt, CloserOut as Closer, LetterDrawing } from "../api/schema";
import { boxOf, pathOf, upTo, viewBoxOf, viewOf } from "../ink/geometry";
import { PenLine } from "../ink/PenLine";
import { RuledLines } from "../ink/RuledLines";
import { drawnShare, inkTimeline } from "../ink/timeline";

/** u: pens, and the room round the ink. */
const MODEL = 0.13;
const INK = 0.055;
const MARGIN = 0.45;

export function InkCloser({
  attempt,
  letter,
  closer,
  time_s = Infinity,
  label,
  className,
}: {
  attempt: Attempt;
  letter: LetterDrawing;
  closer?: Pick<Closer, "faulty" | "pointed"> | undefined;
  time_s?: number;
  label: string;
  className: string;
}) {
  const ink = boxOf(attempt.strokes.map(({ points }) => points));
  const model = boxOf(letter.strokes.flat().map(({ points }) => points));
  const shift = (ink.left + ink.right - model.left - model.right) / 2;
  const wide = {
    ...ink,
    left: Math.min(ink.left, model.left + shift),
    right: Math.max(ink.right, model.right + shift),
  };
  // Where a letter on paper begins nobody saw.
  const start = attempt.source === "scan" ? undefined : attempt.strokes[0]?.points[0];
  return (
    <svg
      viewBox={viewBoxOf(viewOf(letter.lines, wide, MARGIN))}
      className={className}
      role="img"
      aria-label={label}
    >
      <RuledLines lines={letter.lines} />
      <g transform={`translate(${shift} 0)`}>
        {letter.strokes.flat().map(({ points }, at) => (
          <PenLine key={at} points={points} width={MODEL} className="stroke-rule-pale" />
        ))}
      </g>
      {inkTimeline(attempt.strokes).pieces.map((piece, at) => {
        const share = drawnShare(piece, time_s);
        return share > 0 ? (
          <PenLine key={at} points={upTo(piece.points, share)} width={INK} />
        ) : null;
      })}
      {start ? <circle cx={start[0]} cy={-start[1]} r={0.075} className="fill-ink" /> : null}
      {closer && closer.faulty.length > 1 ? <Faulty points={closer.faulty} /> : null}
      {closer?.pointed ? <PointedMark pointed={closer.pointed} /> : null}
    </svg>
  );
}

/** Told apart by its form first: beads along the move. */
function Faulty({ points }: { points: Closer["faulty"] }) {
  return (
    <path
      d={pathOf(points)}
      data-faulty
      className="fill-none stroke-ember"
      strokeWidth={0.12}
      strokeLinecap="round"
      strokeDasharray="0.001 0.17"
    />
  );
}

/** u: half the length of the stroke across an end. */
const ACROSS = 0.1;

function PointedMark({ pointed }: { pointed: NonNullable<Closer["pointed"]> }) {
  const id = useId();
  const { mark, start, end } = pointed;
  const [x0, y0, x1, y1] = [start[0], -start[1], end[0], -end[1]];
  const length = Math.hypot(x1 - x0, y1 - y0) || 1;
  const [ax, ay] = [(-(y1 - y0) / length) * ACROSS, ((x1 - x0) / length) * ACROSS];
  const across = (x: number, y: number) => `M${x - ax} ${y - ay}L${x + ax} ${y + ay}`;
  const ends = mark === "gap" || mark === "span" ? across(x0, y0) + across(x1, y1) : "";
  return (
    <g data-mark={mark} className="fill-none stroke-ember" strokeWidth={2.5} strokeLinecap="round">
      <marker
        id={id}
        viewBox="0 0 10 10"
        refX={8}
        refY={5}
        markerWidth={5}
        markerHeight={5}
        orient="auto-start-reverse"
      >
        <path d="M1 1L9 5L1 9" className="fill-none stroke-ember" strokeWidth={2} />
      </marker>
      <path
        d={`M${x0} ${y0}L${x1} ${y1}${ends}`}
        vectorEffect="non-scaling-stroke"
        markerEnd={mark === "from_to" ? `url(#${id})` : undefined}
        strokeDasharray={mark === "lean" ? "6 5" : undefined}
      />
    </g>
  );
}
