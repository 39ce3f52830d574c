/**
 * Big first: the letter large and slow, to be written in the air while it is spoken, after a count
 * of three; mirrored for a teacher who faces the class and writes with them.
 */
import { useEffect, useState } from "react";

import type { LetterDrawing as Letter } from "../../api/schema";
import { LetterModel } from "../../ink/LetterModel";
import { currentPiece, letterTimeline } from "../../ink/timeline";
import { Spoken } from "../Spoken";
import { usePlayback } from "../../ink/usePlayback";
import { Button } from "../../ui/Button";
import { Tick } from "../../ui/Tick";
import { useShortcuts } from "../../ui/useShortcuts";
import { useGoesOn } from "../onwards";
import { DrawnPart } from "./DrawnPart";
import { OneOf } from "./OneOf";

const SLOW = 0.35;
const COUNT = 3;
const BEAT_MS = 1000;

export function BigArm({ parts }: { parts: string[] }) {
  return (
    <OneOf parts={parts}>
      {(part) => <DrawnPart part={part}>{(drawing) => <Arm letter={drawing} />}</DrawnPart>}
    </OneOf>
  );
}

function Arm({ letter }: { letter: Letter }) {
  const [mirrored, setMirrored] = useState(false);
  const [count, setCount] = useState(0);
  const timeline = letterTimeline(letter.strokes, SLOW);
  const playback = usePlayback(timeline.total_s);
  const { replay } = playback;
  useEffect(() => {
    if (count === 0) return;
    const beat = setTimeout(() => {
      setCount(count - 1);
      if (count === 1) replay();
    }, BEAT_MS);
    return () => {
      clearTimeout(beat);
    };
  }, [count, replay]);
  const begin = () => {
    playback.jump(0);
    setCount(COUNT);
  };
  useGoesOn(begin);
  useShortcuts({
    m: () => {
      setMirrored(!mirrored);
    },
  });
  const current = playback.playing ? currentPiece(timeline, playback.time_s) : -1;
  const move = letter.strokes.flat()[current];
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3">
      <div className="relative min-h-0 flex-1 overflow-hidden rounded-lg border-2 border-crease bg-leaf">
        <LetterModel
          letter={letter}
          timeline={timeline}
          time_s={playback.time_s}
          margin={1.2}
          className={`absolute inset-0 h-full w-full ${mirrored ? "-scale-x-100" : ""}`}
        />
        {count > 0 && (
          <p
            role="status"
            className="absolute inset-0 flex items-center justify-center bg-leaf/70 text-[10rem] font-bold text-ember"
          >
            {count}
          </p>
        )}
      </div>
      <p className="min-h-12 text-center text-2xl big:min-h-20 big:text-[3.5rem]">
        {move ? <Spoken move={move} /> : null}
      </p>
      <div className="flex items-center gap-5">
        <Button look="main" onClick={begin}>
          Arms up: three, two, one
        </Button>
        <Tick label="Mirrored, for who faces the class" checked={mirrored} onChange={setMirrored} />
      </div>
    </div>
  );
}
