/** The model beside the sheet: a tap writes it again; so does the teacher, from where she is. */
import { useEffect } from "react";

import type { LetterDrawing as Letter, MoveAgain } from "../api/schema";
import { LetterModel } from "../ink/LetterModel";
import { letterTimeline } from "../ink/timeline";
import { usePlayback } from "../ink/usePlayback";

/** A child looks longer than a teacher draws. */
const SPEED = 0.7;

export function Model({
  letter,
  replays,
  again = null,
  className = "",
}: {
  letter: Letter;
  /** Grows when it is to be written again. */
  replays: number;
  /** The move that plays by itself: it was not like this. */
  again?: MoveAgain | null;
  className?: string;
}) {
  const timeline = letterTimeline(letter.strokes, SPEED);
  const { time_s, replay, jump, playTo } = usePlayback(timeline.total_s);
  useEffect(() => {
    if (replays > 0) replay();
  }, [replays, replay]);
  const piece = timeline.pieces.find(
    ({ stroke, move }) => stroke === again?.stroke && move === again.move,
  );
  const [from, to] = [piece?.start_s, piece?.end_s];
  useEffect(() => {
    if (from === undefined || to === undefined) return;
    jump(from);
    playTo(to);
  }, [from, to, jump, playTo]);
  return (
    <button
      type="button"
      onClick={replay}
      aria-label="See it written"
      className={`rounded-lg border-2 bg-leaf ${again ? "border-ember" : "border-crease"} ${className}`}
    >
      <LetterModel letter={letter} timeline={timeline} time_s={time_s} className="h-full w-full" />
    </button>
  );
}
