/**
 * A slip as it is written: where each stroke begins, in which order if there are several, and which
 * way the pen sets off.
 */
import type { Picture } from "../api/schema";
import { useClassroom } from "../api/queries";
import { boxOf, headingAt, isDot, lengthOf, viewBoxOf, viewOf } from "./geometry";
import { PenLine } from "./PenLine";
import { RuledLines } from "./RuledLines";
import { StartDot } from "./StartDot";

/** Share of a stroke at which its arrow stands, and u at least: past the start, before a turn. */
const SET_OFF = 0.18;
const CLEAR = 0.36;
/** u to the left of its start: where a stroke's number stands. */
const BESIDE = 0.3;

export function SlipPicture({
  picture,
  className = "h-32",
}: {
  picture: Picture;
  className?: string;
}) {
  const lines = useClassroom().data?.lines ?? [];
  const view = viewOf(lines, boxOf(picture.strokes), 0.45);
  return (
    <svg viewBox={viewBoxOf(view)} className={`mx-auto w-auto ${className}`} aria-hidden>
      <RuledLines lines={lines} />
      {picture.strokes.map((points, at) => {
        const { at: place, deg } = headingAt(points, Math.max(SET_OFF, CLEAR / lengthOf(points)));
        const [x, y] = points[0] ?? [0, 0];
        const numbered = picture.strokes.length > 1;
        return (
          <g key={at}>
            <PenLine points={points} width={0.11} />
            <StartDot points={points} r={0.12} />
            {numbered && (
              <text
                x={x - BESIDE}
                y={-y}
                textAnchor="middle"
                dominantBaseline="central"
                fontSize={0.34}
                fontWeight={700}
                className="fill-ember"
              >
                {at + 1}
              </text>
            )}
            {!isDot(points) && (
              <path
                d="M-0.13 -0.15L0.17 0L-0.13 0.15Z"
                transform={`translate(${place[0]} ${-place[1]}) rotate(${-deg})`}
                className="fill-ember"
              />
            )}
          </g>
        );
      })}
    </svg>
  );
}
