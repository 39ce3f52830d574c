/**
 * From memory: only the sound or the family is given; after a pause for writing, in the air or on
 * paper, the letter is revealed as it is made. What it is stands small enough for the teacher only.
 */
import { useEffect, useState } from "react";

import type { LetterDrawing as Letter } from "../../api/schema";
import { useLetterPage } from "../../api/queries";
import { LetterModel } from "../../ink/LetterModel";
import { letterTimeline } from "../../ink/timeline";
import { usePlayback } from "../../ink/usePlayback";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Prompt } from "../../ui/Prompt";
import { SmallLetter } from "../../ui/SmallLetter";
import { Empty, Failed } from "../../ui/states";
import { useGoesOn } from "../onwards";
import { useCovered } from "./covered";
import { DrawnPart } from "./DrawnPart";

const PAUSE_S = 8;

const CUES = [
  { value: "sound", label: "Give its sound" },
  { value: "family", label: "Give its family" },
] as const;
type Cue = (typeof CUES)[number]["value"];

type Stage = "asked" | "writing" | "shown";

export function MemoryStep({ parts }: { parts: string[] }) {
  const [at, setAt] = useState(0);
  const [cue, setCue] = useState<Cue>("sound");
  const [stage, setStage] = useState<Stage>("asked");
  const part = parts[at];
  useEffect(() => {
    if (stage !== "writing") return;
    const pause = setTimeout(() => {
      setStage("shown");
    }, PAUSE_S * 1000);
    return () => {
      clearTimeout(pause);
    };
  }, [stage]);
  const last = at === parts.length - 1;
  const goOn = () => {
    if (stage === "asked") setStage("writing");
    else if (stage === "writing") setStage("shown");
    else {
      setAt(last ? 0 : at + 1);
      setStage("asked");
    }
  };
  useGoesOn(goOn);
  useCovered(stage === "shown" ? null : (part ?? null));
  if (part === undefined) return <Empty>There is no earlier letter to remember yet.</Empty>;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3">
      <div
        role="status"
        className="flex min-h-0 flex-1 flex-col items-center justify-center gap-6 overflow-hidden rounded-lg border-2 border-crease bg-leaf p-5"
      >
        {stage === "shown" ? (
          <DrawnPart part={part}>{(drawing) => <Revealed key={part} letter={drawing} />}</DrawnPart>
        ) : (
          <>
            {cue === "family" && part.length === 1 ? (
              <FamilyCue letter={part} />
            ) : (
              <SoundCue text={part} />
            )}
            <PauseLine running={stage === "writing"} />
          </>
        )}
      </div>
      <div className="flex flex-wrap items-center gap-4 pb-1">
        <Button look="main" onClick={goOn} className="min-w-44">
          {stage === "asked"
            ? "Now write it"
            : stage === "writing"
              ? "Show it now"
              : last
                ? "Once more from the first"
                : "The next one"}
        </Button>
        <Choice
          label="What is given"
          value={cue}
          options={CUES}
          onChange={(chosen) => {
            setCue(chosen);
            setStage("asked");
          }}
        />
        <span className="flex-1" />
        <p className="text-sm text-soft">
          {at + 1} of {parts.length} · for you: <span lang="en">{part}</span>
        </p>
      </div>
    </div>
  );
}

function SoundCue({ text }: { text: string }) {
  return (
    <>
      <p className="text-center text-[2.5rem] leading-tight font-bold big:text-[4.5rem]">
        Listen to the sound.
      </p>
      <p className="text-center text-[2rem] leading-tight big:text-[3.5rem]">
        Hear it, think where it starts, write it.
      </p>
      <Prompt text={text} large />
    </>
  );
}

/** The family with a gap where the letter is. */
function FamilyCue({ letter }: { letter: string }) {
  const page = useLetterPage(letter);
  if (page.isPending) return null;
  const family = page.data?.family;
  if (!family) {
    return (
      <>
        <Failed of={[page]} />
        <SoundCue text={letter} />
      </>
    );
  }
  return (
    <>
      <p className="text-center text-[2.5rem] leading-tight font-bold big:text-[4.5rem]">
        {family.family}: which one is missing?
      </p>
      <ul className="flex flex-wrap justify-center gap-4">
        {family.letters.map((one) => (
          <li
            key={one}
            className={`flex h-36 min-w-24 big:min-w-40 items-center justify-center rounded-lg border-2 px-2 big:h-64 ${one === letter ? "border-dashed border-ember" : "border-crease"}`}
          >
            {one === letter ? (
              <span className="text-4xl text-ember">?</span>
            ) : (
              <SmallLetter letter={one} className="h-32 big:h-56" />
            )}
          </li>
        ))}
      </ul>
    </>
  );
}

/** How long there is to write: a line that fills. */
function PauseLine({ running }: { running: boolean }) {
  return (
    <span
      aria-hidden
      className="h-2.5 w-96 max-w-full overflow-hidden rounded-full border border-rule"
    >
      <span
        className="block h-full origin-left bg-rule"
        style={{
          transform: `scaleX(${running ? "1" : "0"})`,
          transition: running ? `transform ${String(PAUSE_S)}s linear` : "none",
        }}
      />
    </span>
  );
}

function Revealed({ letter }: { letter: Letter }) {
  const timeline = letterTimeline(letter.strokes, 1);
  const { time_s } = usePlayback(timeline.total_s, { playAtOnce: true });
  return (
    <LetterModel
      letter={letter}
      timeline={timeline}
      time_s={time_s}
      margin={1.2}
      className="min-h-0 w-full flex-1"
    />
  );
}
