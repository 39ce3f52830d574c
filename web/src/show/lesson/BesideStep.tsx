/** Print beside joined: the same letter or pair in both, made at the same time. */
import { Play, RotateCcw } from "lucide-react";
import type { LetterDrawing as Letter } from "../../api/schema";
import { useText } from "../../api/lessonQueries";
import { LetterModel } from "../../ink/LetterModel";
import { letterTimeline, type Timeline } from "../../ink/timeline";
import { usePlayback } from "../../ink/usePlayback";
import { Button } from "../../ui/Button";
import { Loading, ProblemNote } from "../../ui/states";
import { useShortcuts } from "../../ui/useShortcuts";
import { useGoesOn } from "../onwards";
import { OneOf } from "./OneOf";
import { TextOnLines } from "../../ui/TextOnLines";

const SLOW = 0.7;
/** u: so that a date is on one line in both hands, and they can be compared. */
const ONE_LINE = 40;

export function BesideStep({ parts }: { parts: string[] }) {
  return <OneOf parts={parts}>{(part) => <Beside part={part} />}</OneOf>;
}

/** The same for a line of text: as the class writes it, and under it in the other hand. */
export function BesideText({ text }: { text: string }) {
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3">
      <TextOnLines text={text} longest={ONE_LINE} />
      <TextOnLines text={text} otherHand longest={ONE_LINE} />
    </div>
  );
}

function Beside({ part }: { part: string }) {
  const own = useText(part);
  const other = useText(part, { otherHand: true });
  const error = own.error ?? other.error;
  if (error) return <ProblemNote error={error} />;
  const [one, two] = [own.data?.[0], other.data?.[0]];
  if (!one || !two) return <Loading what="both" />;
  return <Both own={one} other={two} />;
}

function Both({ own, other }: { own: Letter; other: Letter }) {
  const timelines: [Timeline, Timeline] = [
    letterTimeline(own.strokes, SLOW),
    letterTimeline(other.strokes, SLOW),
  ];
  const playback = usePlayback(Math.max(...timelines.map(({ total_s }) => total_s)));
  const { playing, replay } = playback;
  useGoesOn(replay);
  useShortcuts({ r: replay });
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3">
      <div className="grid min-h-0 flex-1 grid-cols-2 gap-5">
        {[own, other].map((letter, at) => (
          <figure key={at} className="flex min-h-0 min-w-0 flex-col gap-2">
            <div className="relative min-h-0 flex-1 overflow-hidden rounded-lg border-2 border-crease bg-leaf">
              <LetterModel
                letter={letter}
                timeline={timelines[at === 0 ? 0 : 1]}
                time_s={playback.time_s}
                margin={1.2}
                className="absolute inset-0 h-full w-full"
              />
            </div>
            <figcaption className="text-center text-xl big:text-[2.25rem]">
              {joins(letter) ? "Joined" : "Print"}
              {at === 0 ? ", as we write it" : ""}
            </figcaption>
          </figure>
        ))}
      </div>
      <div className="pb-1">
        <Button look="main" onClick={replay}>
          {playing ? <RotateCcw aria-hidden size={18} /> : <Play aria-hidden size={20} />}
          {playing ? "Again" : "Draw both"}
        </Button>
      </div>
    </div>
  );
}

/** A joined letter comes up from the line before it is made. */
function joins(letter: Letter): boolean {
  return letter.strokes[0]?.[0]?.kind === "lead-in";
}
