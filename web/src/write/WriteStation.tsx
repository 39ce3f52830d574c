/** Write: a child writes one letter on a ruled pad and hands it in; one kind thing is said. */
import { useRef, useState } from "react";

import type {
  AttemptOut as Attempt,
  ClassOut as Classroom,
  Help,
  LetterDrawing as Letter,
} from "../api/schema";
import { useHandIn, useTakeBack } from "../api/attemptQueries";
import { exact } from "../api/client";
import { useDelivery } from "../api/delivery";
import { useClassroom, useLetter } from "../api/queries";
import { InkOverModel } from "../ink/InkOverModel";
import { inkTimeline } from "../ink/timeline";
import { usePlayback } from "../ink/usePlayback";
import { Choice } from "../ui/Choice";
import { LetterButton } from "../ui/LetterChoice";
import { Prompt } from "../ui/Prompt";
import { Loading, ProblemNote } from "../ui/states";
import { useShortcuts } from "../ui/useShortcuts";
import { HelpIcon } from "./HelpIcon";
import { ruledFor } from "../ink/padGeometry";
import { inkOf, usePad } from "../ink/usePad";
import { useSize } from "../ink/useSize";
import { PadBar } from "./PadBar";
import { useWriter } from "./useWriter";
import { KindChoice } from "./WhatToWrite";
import { WriterChoice } from "./WriterChoice";
import { WritingPad } from "./WritingPad";

const HELPS: { value: Help; name: string }[] = [
  { value: "trace", name: "Trace the dotted letter" },
  { value: "finish", name: "Go on from the starting dot" },
  { value: "copy", name: "Copy the letter" },
  { value: "recall", name: "Write it from memory" },
];

export function WriteStation({ letter }: { letter: string }) {
  const classroom = useClassroom();
  const drawing = useLetter(letter);
  const failed = [classroom, drawing].find(({ isError }) => isError);
  if (failed) return <ProblemNote error={failed.error} retry={() => void failed.refetch()} />;
  if (!classroom.data || !drawing.data) return <Loading what={`the letter ${letter}`} />;
  return <Desk classroom={classroom.data} letter={drawing.data} />;
}

function Desk({ classroom, letter }: { classroom: Classroom; letter: Letter }) {
  const [writer, setWriter] = useWriter(classroom.pupils);
  const [help, setHelp] = useState<Help>("copy");
  const [handedIn, setHandedIn] = useState<Attempt | null>(null);
  const surface = useRef<HTMLDivElement>(null);
  const size = useSize(surface);
  const ruled = ruledFor(letter.lines, size.height);
  const pad = usePad(ruled);
  const handIn = useHandIn();
  const takeBack = useTakeBack();
  const delivery = useDelivery();
  const written = pad.strokes.length > 0;
  const busy = handIn.isPending || takeBack.isPending;

  const give = () => {
    if (!writer || !written || busy) return;
    const sent = { pupil_id: writer.id, letter: letter.letter, help, strokes: inkOf(pad.strokes) };
    handIn.mutate(
      { body: delivery.of(sent) },
      {
        onSuccess: (attempt) => {
          delivery.arrived();
          setHandedIn(exact<Attempt>(attempt));
          pad.set([]);
        },
      },
    );
  };
  /** The last letter goes: the one on the pad, or else the one just handed in. */
  const undo = () => {
    if (busy) return;
    if (written) pad.set([]);
    else if (handedIn) {
      takeBack.mutate(
        { params: { path: { attempt_id: handedIn.id } } },
        {
          onSuccess: () => {
            setHandedIn(null);
            pad.set(handedIn.strokes);
          },
        },
      );
    }
  };
  useShortcuts({ Enter: give, z: undo });

  const problem = handIn.error ?? takeBack.error;
  return (
    <section className="flex min-h-0 flex-1 flex-col gap-3 px-4 py-3" aria-label="Writing desk">
      <h1 className="sr-only">Write</h1>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <WriterChoice
          pupils={classroom.pupils}
          writer={writer}
          onChoose={(id) => {
            setWriter(id);
            setHandedIn(null);
          }}
        />
        <KindChoice kind="letter" />
        <LetterButton station="write" letter={letter.letter} />
        <Choice
          label="Help"
          value={help}
          onChange={setHelp}
          options={HELPS.map(({ value, name }) => ({
            value,
            name,
            label: <HelpIcon help={value} />,
          }))}
        />
        {help === "recall" ? <Prompt text={letter.letter} /> : null}
      </div>
      <div className="flex min-h-0 flex-1 flex-col gap-3 lg:flex-row">
        <div className="relative min-h-64 flex-1 overflow-hidden rounded-lg border-2 border-crease bg-leaf">
          <WritingPad
            letter={letter}
            help={help}
            modelOn={writer?.gets.model_on ?? "left"}
            surface={surface}
            size={size}
            ruled={ruled}
            pad={pad}
          />
        </div>
        <aside className="flex shrink-0 items-stretch gap-4 lg:w-72 lg:flex-col">
          {handedIn ? <Said key={handedIn.id} attempt={handedIn} letter={letter} /> : <Waiting />}
        </aside>
      </div>
      {problem ? <ProblemNote error={problem} /> : null}
      <PadBar
        undo={{ label: "Take back", can: !busy && (written || handedIn !== null), act: undo }}
        bringBack={
          pad.wiped.length > 0 && !written && !handedIn
            ? () => {
                pad.set(pad.wiped);
              }
            : null
        }
        handIn={{ can: written && !busy && writer !== undefined, act: give }}
      />
    </section>
  );
}

function Waiting() {
  return <p className="text-lg text-soft lg:pt-4">Write one letter, then hand it in.</p>;
}

/** What is said of the letter just handed in, beside the letter itself; a tap plays it again. */
function Said({ attempt, letter }: { attempt: Attempt; letter: Letter }) {
  const timeline = inkTimeline(attempt.strokes);
  const playback = usePlayback(timeline.total_s);
  return (
    <>
      <button
        type="button"
        onClick={playback.replay}
        className="rounded-lg border-2 border-crease bg-leaf p-1 hover:border-rule-deep"
        aria-label="See your letter written again"
      >
        <InkOverModel
          attempt={attempt}
          letter={letter}
          time_s={playback.time_s}
          label={`The ${attempt.letter} just written`}
          className="h-36 w-auto lg:h-56 lg:w-full"
        />
      </button>
      <p role="status" className="self-center text-xl lg:self-start">
        {attempt.say}
      </p>
    </>
  );
}
