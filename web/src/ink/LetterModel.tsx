/** A letter as it is taught: drawn up to a moment, with its start and its numbered moves. */
import type { LetterDrawing as Letter, MoveDrawing } from "../api/schema";
import type { Point } from "./geometry";
import { boxOf, isDot, upTo, viewBoxOf, viewOf } from "./geometry";
import { PenLine } from "./PenLine";
import { RuledLines } from "./RuledLines";
import { SpaceBands } from "./SpaceBands";
import { StartDot } from "./StartDot";
import { currentPiece, drawnShare, type Timeline } from "./timeline";

const PEN = 0.1;
/** u above and below the lines, so that the number of a move along one of them is seen. */
const NUMBER_ROOM = 0.34;
export function LetterModel({
  letter,
  timeline,
  time_s,
  numbered = false,
  filled = false,
  emptied = false,
  unseen = false,
  margin = 0.7,
  className,
}: {
  letter: Letter;
  timeline: Timeline;
  time_s: number;
  numbered?: boolean;
  /** The spaces that it fills are tinted. */
  filled?: boolean;
  /** Only the lines and where it begins: to be written by who looks at it. */
  emptied?: boolean;
  /** What is not drawn yet is not seen either. */
  unseen?: boolean;
  margin?: number;
  className?: string;
}) {
  const view = viewOf(
    letter.lines,
    boxOf(letter.strokes.flat().map((m) => m.points)),
    margin,
    NUMBER_ROOM,
  );
  const dots = timeline.pieces.map(({ points }) => isDot(points));
  const current = currentPiece(timeline, time_s);
  const pen = timeline.pieces[current];
  return (
    <svg viewBox={viewBoxOf(view)} className={className} role="img" aria-label={letter.letter}>
      {filled && <SpaceBands letter={letter} />}
      <RuledLines lines={letter.lines} />
      {!emptied &&
        !unseen &&
        letter.strokes
          .flat()
          .map(({ points }, at) => (
            <PenLine key={at} points={points} width={PEN} className="stroke-crease" />
          ))}
      {timeline.pieces.map((piece, at) => {
        const share = emptied ? 0 : drawnShare(piece, time_s);
        return share > 0 ? (
          <PenLine
            key={at}
            points={upTo(piece.points, share)}
            width={PEN}
            className={at === current && time_s < timeline.total_s ? "stroke-ember" : "stroke-ink"}
          />
        ) : null;
      })}
      {letter.strokes.map(([first], at) =>
        first && !unseen ? <StartDot key={at} points={first.points} r={PEN * 0.85} /> : null,
      )}
      {numbered
        ? letter.strokes
            .flat()
            .map(({ number: place }, at) => (
              <MoveNumber
                key={at}
                place={place}
                number={at + 1}
                lit={at === current}
                dot={dots[at] ?? false}
              />
            ))
        : null}
      {pen && time_s < timeline.total_s ? (
        <PenTip at={upTo(pen.points, drawnShare(pen, time_s)).at(-1)} />
      ) : null}
    </svg>
  );
}

function PenTip({ at }: { at: Point | undefined }) {
  return at ? (
    <circle
      cx={at[0]}
      cy={-at[1]}
      r={PEN * 1.1}
      className="fill-none stroke-ember"
      strokeWidth={0.03}
    />
  ) : null;
}

/** A move's number with an arrow the way the pen goes; a dot goes nowhere. */
function MoveNumber({
  place,
  number,
  lit,
  dot,
}: {
  place: MoveDrawing["number"];
  number: number;
  lit: boolean;
  dot: boolean;
}) {
  const { at, arrow, heading_deg } = place;
  return (
    <g className={lit ? "fill-ember" : "fill-rule-deep"}>
      <text
        x={at[0]}
        y={-at[1]}
        textAnchor="middle"
        dominantBaseline="central"
        fontSize={0.2}
        fontWeight={700}
      >
        {number}
      </text>
      {!dot && (
        <path
          d="M-0.05 -0.055L0.06 0L-0.05 0.055Z"
          transform={`translate(${String(arrow[0])} ${String(-arrow[1])}) rotate(${String(-heading_deg)})`}
        />
      )}
    </g>
  );
}
