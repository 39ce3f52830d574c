/** A letter as it was understood, over the ink it was understood from: numbered, one move inked. */
import type { SampleOut, Understood } from "../../api/schema";
import { boxOf, upTo, viewBoxOf, viewOf } from "../../ink/geometry";
import { PenLine } from "../../ink/PenLine";
import { RuledLines } from "../../ink/RuledLines";
import { StartDot } from "../../ink/StartDot";
import { drawnShare, letterTimeline } from "../../ink/timeline";
import { usePlayback } from "../../ink/usePlayback";
import type { Place } from "./draft";

/** A teacher draws it for a class; she has seen it often. */
const SPEED = 2.5;
const PEN = 0.06;
const INK = 0.15;
/** u above and below the lines, so that the number of a move along one of them is seen. */
const NUMBER_ROOM = 0.34;

export function UnderstoodPicture({
  letter,
  samples,
  chosen,
  label,
}: {
  letter: Understood;
  samples: readonly SampleOut[];
  chosen?: Place;
  label: string;
}) {
  const { drawing } = letter;
  const timeline = letterTimeline(drawing.strokes, SPEED);
  const playback = usePlayback(timeline.total_s, { playAtOnce: true });
  const moves = drawing.strokes.flatMap((stroke, at) =>
    stroke.map((move, index) => ({ ...move, stroke: at, index })),
  );
  const good = samples.filter(({ problem }) => problem === null);
  const box = boxOf(moves.map(({ points }) => points));
  const view = viewOf(drawing.lines, box, 0.9, NUMBER_ROOM);
  return (
    <svg
      viewBox={viewBoxOf(view)}
      className="absolute inset-0 h-full w-full"
      role="img"
      aria-label={label}
    >
      <RuledLines lines={drawing.lines} />
      {good.map((sample) => (
        <g key={sample.id} transform={`translate(${String(sample.right_by)} 0)`}>
          {sample.strokes.map(({ points }, at) => (
            <PenLine key={at} points={points} width={INK} className="stroke-rule-pale opacity-70" />
          ))}
        </g>
      ))}
      {timeline.pieces.map((piece) => {
        const { stroke, move: index } = piece;
        const isChosen = chosen?.stroke === stroke && chosen.move === index;
        const share = drawnShare(piece, playback.time_s);
        const points = upTo(piece.points, share);
        return share === 0 ? null : (
          <PenLine
            key={`${String(stroke)}.${String(index)}`}
            points={points}
            width={isChosen ? PEN * 1.9 : PEN}
            className={isChosen ? "stroke-ember" : "stroke-ink"}
          />
        );
      })}
      {drawing.strokes.map(([first], at) =>
        first ? <StartDot key={at} points={first.points} r={0.08} /> : null,
      )}
      {moves.map(({ number: { at } }, index) => (
        <text
          key={index}
          x={at[0]}
          y={-at[1]}
          fontSize={0.26}
          textAnchor="middle"
          dominantBaseline="central"
          className="fill-rule-deep font-bold"
        >
          {index + 1}
        </text>
      ))}
    </svg>
  );
}
