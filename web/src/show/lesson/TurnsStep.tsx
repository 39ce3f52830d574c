/**
 * Taking turns: the letter is made on the board; then there are only the lines and the starting
 * dot, and a quiet bar of time while the class writes; and again. When the time is over it waits:
 * who still writes is seen on the teacher's own screen, and she goes on.
 */
import { useEffect, useEffectEvent, useState } from "react";

import type { LetterDrawing as Letter } from "../../api/schema";
import { LetterModel } from "../../ink/LetterModel";
import { currentPiece, letterTimeline } from "../../ink/timeline";
import { Spoken } from "../Spoken";
import { usePlayback } from "../../ink/usePlayback";
import { Button } from "../../ui/Button";
import { useGoesOn } from "../onwards";
import { DrawnPart } from "./DrawnPart";
import { OneOf } from "./OneOf";

const SLOW = 0.7;
const TURNS = 3;
const TICK_MS = 250;
/** As long as the board took, and this much more for whoever is slower, but never less than so long. */
const MORE = 2.5;
const AT_LEAST_S = 8;

export function TurnsStep({ parts }: { parts: string[] }) {
  return (
    <OneOf parts={parts}>
      {(part) => <DrawnPart part={part}>{(drawing) => <Turns letter={drawing} />}</DrawnPart>}
    </OneOf>
  );
}

type Whose = "nobody" | "mine" | "yours";

function Turns({ letter }: { letter: Letter }) {
  const timeline = letterTimeline(letter.strokes, SLOW);
  const yours_s = Math.max(AT_LEAST_S, timeline.total_s * MORE);
  const playback = usePlayback(timeline.total_s);
  const [whose, setWhose] = useState<Whose>("nobody");
  const [turn, setTurn] = useState(1);
  const [over, setOver] = useState(false);
  const made = !playback.playing && playback.time_s >= timeline.total_s;
  if (whose === "mine" && made) setWhose("yours");

  const mine = (next: number) => {
    setTurn(next);
    setOver(false);
    setWhose("mine");
    playback.replay();
  };
  const onwards = () => {
    if (whose === "nobody") mine(1);
    else if (whose === "mine") playback.jump(timeline.total_s);
    else if (turn < TURNS) mine(turn + 1);
    else setWhose("nobody");
  };
  useGoesOn(onwards);
  const move = letter.strokes.flat()[currentPiece(timeline, playback.time_s)];
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3">
      <div className="flex items-baseline gap-4">
        <p role="status" className="text-2xl font-bold big:text-[3rem]">
          {whose === "yours" && over
            ? "Finish your letter, pencils down"
            : { nobody: "Watch, then write", mine: "I write", yours: "Now you write" }[whose]}
        </p>
        <p className="text-xl text-soft big:text-[2rem]">
          {whose === "nobody" ? `${String(TURNS)} times` : `${String(turn)} of ${String(TURNS)}`}
        </p>
        <p className="flex-1 text-right text-xl big:text-[2.5rem]">
          {whose === "mine" && move ? <Spoken move={move} /> : null}
        </p>
      </div>
      <div className="relative min-h-0 flex-1 overflow-hidden rounded-lg border-2 border-crease bg-leaf max-md:min-h-64">
        <LetterModel
          letter={letter}
          timeline={timeline}
          time_s={playback.time_s}
          emptied={whose === "yours"}
          margin={2.2}
          className="absolute inset-0 h-full w-full"
        />
      </div>
      <div className="flex items-center gap-5">
        <Button look="main" onClick={onwards}>
          {{ nobody: "Begin", mine: "Now you", yours: "On" }[whose]}
        </Button>
        {whose === "yours" && (
          <Quiet
            key={turn}
            seconds={yours_s}
            onOver={() => {
              setOver(true);
            }}
          />
        )}
      </div>
    </div>
  );
}

/** Time that passes without a sound: a bar that empties. */
function Quiet({ seconds, onOver }: { seconds: number; onOver: () => void }) {
  const [left, setLeft] = useState(seconds * 1000);
  useEffect(() => {
    const clock = setInterval(() => {
      setLeft((before) => before - TICK_MS);
    }, TICK_MS);
    return () => {
      clearInterval(clock);
    };
  }, []);
  const over = left <= 0;
  const whenOver = useEffectEvent(onOver);
  useEffect(() => {
    if (over) whenOver();
  }, [over]);
  return (
    <span
      role="img"
      aria-label="The time there is to write"
      className="h-4 flex-1 overflow-hidden rounded-full border border-rule bg-leaf"
    >
      <span
        className="block h-full bg-rule"
        style={{ width: `${String(Math.max(0, left / (seconds * 10)))}%` }}
      />
    </span>
  );
}
