/**
 * Two of a child's letters on one ruling: side by side, or one over the other. Beside what is worth
 * comparing of this letter, any that she holds, such as another form of it; never another child's.
 */
import { useState } from "react";

import { useClassroom } from "../api/queries";
import type { AttemptOut as Attempt, PairOut } from "../api/schema";
import { usePair, useThing } from "../api/tableQueries";
import { type Box, boxOf, viewBoxOf, viewOf } from "../ink/geometry";
import { PenLine } from "../ink/PenLine";
import { RuledLines } from "../ink/RuledLines";
import { Choice } from "../ui/Choice";
import { Pick } from "../ui/Pick";
import { useHeld } from "./useHeld";

type Other = keyof PairOut | "held";
const NAMES: Record<Other, string> = {
  held: "the one you hold",
  first: "the first",
  latest: "the latest",
  chosen: "the child’s own choice",
  best: "the best by its measures",
};
const LAID = [
  { value: "beside", label: "Side by side" },
  { value: "over", label: "One over the other" },
] as const;

/** u: a pen, and the gap between two letters. */
const INK = 0.06;
const GAP = 0.7;

export function Compare({ attempt }: { attempt: Attempt }) {
  const [held] = useHeld();
  const pair = usePair(attempt.pupil.id, attempt.letter).data;
  const [wanted, setWanted] = useState<Other>();
  const [laid, setLaid] = useState<(typeof LAID)[number]["value"]>("beside");
  const lines = useClassroom().data?.lines ?? [];
  const holds = useThing(held).data;
  const isOwn = holds?.kind === "attempt" && holds.attempt.pupil.id === attempt.pupil.id;
  const ids = { ...pair, held: isOwn ? holds.attempt.id : null };
  const offered = (["held", "first", "chosen", "best", "latest"] as const).filter(
    (name) => ids[name] && ids[name] !== attempt.id,
  );
  const which = wanted && offered.includes(wanted) ? wanted : offered[0];
  const other = useThing(which && ids[which] ? `attempt ${ids[which]}` : undefined).data;
  if (pair && !which) {
    return <p className="text-soft">There is no other {attempt.letter} of this child yet.</p>;
  }
  if (!which || other?.kind !== "attempt") return <div className="h-48 shrink-0" />;
  const left = boxOf(other.attempt.strokes.map(({ points }) => points));
  const right = boxOf(attempt.strokes.map(({ points }) => points));
  const over = laid === "over";
  const shift = over
    ? (left.left + left.right - right.left - right.right) / 2
    : left.right + GAP - right.left;
  const both = around(left, { ...right, left: right.left + shift, right: right.right + shift });
  return (
    <figure className="flex shrink-0 flex-col gap-2">
      <svg
        viewBox={viewBoxOf(viewOf(lines, both, 0.3))}
        className="h-48 w-full rounded-lg border-2 border-crease bg-leaf"
        role="img"
        aria-label={`${attempt.letter}: ${NAMES[which]}, and this one`}
      >
        <RuledLines lines={lines} />
        {other.attempt.strokes.map(({ points }, at) => (
          <PenLine
            key={at}
            points={points}
            width={INK}
            dotted={over}
            className="stroke-rule-deep"
          />
        ))}
        <g transform={`translate(${shift} 0)`}>
          {attempt.strokes.map(({ points }, at) => (
            <PenLine key={at} points={points} width={INK} />
          ))}
        </g>
      </svg>
      <figcaption className="flex flex-wrap items-center gap-2">
        <Pick
          label="Compared with"
          value={which}
          options={offered.map((name) => ({ value: name, label: NAMES[name] }))}
          onChange={setWanted}
        />
        <span className="text-soft">
          {other.attempt.letter === attempt.letter ? null : `${other.attempt.letter}, `}
          {dayOf(other.attempt.written_at)} {over ? "(dotted)" : "(left)"}
        </span>
        <Choice small label="How they lie" value={laid} options={LAID} onChange={setLaid} />
      </figcaption>
    </figure>
  );
}

function around(one: Box, other: Box): Box {
  return {
    left: Math.min(one.left, other.left),
    right: Math.max(one.right, other.right),
    bottom: Math.min(one.bottom, other.bottom),
    top: Math.max(one.top, other.top),
  };
}

function dayOf(moment: string): string {
  return new Date(moment).toLocaleDateString("en-GB", { day: "numeric", month: "short" });
}
