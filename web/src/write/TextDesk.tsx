/** Write: a row, a word or a sentence on one long line, handed in as a whole. */
import { useRef, useState } from "react";
import { useSearchParams } from "react-router";

import { useToday } from "../api/lessonQueries";
import { useClassroom } from "../api/queries";
import type { ClassOut as Classroom } from "../api/schema";
import { ruledFor } from "../ink/padGeometry";
import { TextOnLines } from "../ui/TextOnLines";
import { inkOf, usePad } from "../ink/usePad";
import { useSize } from "../ink/useSize";
import { Choice } from "../ui/Choice";
import { Prompt } from "../ui/Prompt";
import { Loading, ProblemNote } from "../ui/states";
import { LongPad } from "./LongPad";
import { lengthOf, onOneLine, rowsFor } from "../ink/longLine";
import { PadBar } from "./PadBar";
import { useTextHandIn } from "./useTextHandIn";
import { useWriter } from "./useWriter";
import { WhatToWrite, type Written } from "./WhatToWrite";
import { WriterChoice } from "./WriterChoice";

const HELPS = [
  { value: "copy", label: "Copy it" },
  { value: "recall", label: "From memory" },
] as const;

const STRUCK_OUT = "Struck out is not wrong: write it again after it.";
const NOTHING_ASKED = "Type above what is to be written. A planned lesson brings its own words.";

export function TextDesk() {
  const classroom = useClassroom();
  const today = useToday();
  if (classroom.isError) return <ProblemNote error={classroom.error} />;
  if (!classroom.data || today.isPending) return <Loading what="the pad" />;
  const plan = today.data?.lesson;
  return (
    <Desk
      classroom={classroom.data}
      words={plan?.words ?? []}
      sentence={plan?.sentence.text ?? ""}
    />
  );
}

function Desk({
  classroom,
  words,
  sentence,
}: {
  classroom: Classroom;
  words: readonly string[];
  sentence: string;
}) {
  const [search, setSearch] = useSearchParams();
  const kind = kindOf(search.get("kind"));
  const target = search.get("target") ?? proposed(kind, classroom.letters, words, sentence);
  const ask = (next: Written) => {
    setSearch({ kind: next.kind, target: next.target }, { replace: true });
  };
  return (
    <section className="flex min-h-0 flex-1 flex-col gap-3 px-4 py-3" aria-label="Writing desk">
      <h1 className="sr-only">Write</h1>
      <Pad key={`${kind} ${target}`} classroom={classroom} kind={kind} target={target}>
        <WhatToWrite
          kind={kind}
          target={target}
          words={words}
          onAsk={(next) => {
            const changed = next.kind !== kind;
            ask({
              kind: next.kind,
              target: changed
                ? proposed(next.kind, classroom.letters, words, sentence)
                : next.target,
            });
          }}
        />
      </Pad>
    </section>
  );
}

function Pad({
  classroom,
  kind,
  target,
  children,
}: {
  classroom: Classroom;
  kind: Written["kind"];
  target: string;
  children: React.ReactNode;
}) {
  const [writer, setWriter] = useWriter(classroom.pupils);
  const [help, setHelp] = useState<"copy" | "recall">("copy");
  const surface = useRef<HTMLDivElement>(null);
  const size = useSize(surface);
  const rows = rowsFor(lengthOf(kind, target), classroom.lines, size);
  const ruled = ruledFor(classroom.lines, size.height, rows);
  const pad = usePad(ruled);
  const { handedIn, forget, can, give, undo, problem } = useTextHandIn({
    pad,
    asked: { pupil_id: writer?.id, kind, target, help },
    inkOf: (strokes) => inkOf(onOneLine(strokes, classroom.lines, rows)),
  });
  const written = pad.strokes.length > 0;
  const shown = kind === "row" ? target : target.trim();
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <WriterChoice
          pupils={classroom.pupils}
          writer={writer}
          onChoose={(id) => {
            setWriter(id);
            forget();
          }}
        />
        {children}
        <Choice label="Help" value={help} options={HELPS} onChange={setHelp} />
        {help === "recall" ? <Prompt text={target} /> : null}
      </div>
      {help === "copy" && shown !== "" ? (
        <div className="flex h-28 shrink-0 sm:h-32">
          <TextOnLines text={shown} longest={40} />
        </div>
      ) : null}
      <div className="relative min-h-64 flex-1 overflow-hidden rounded-lg border-2 border-crease bg-leaf">
        <LongPad
          label={`Pad for ${kind === "row" ? "a row of " : ""}${target}`}
          lines={classroom.lines}
          rows={rows}
          surface={surface}
          size={size}
          ruled={ruled}
          pad={pad}
        />
      </div>
      {problem ? <ProblemNote error={problem} /> : null}
      <PadBar
        undo={{
          label: written || !handedIn ? "Last stroke away" : "Take back",
          can: can.undo,
          act: undo,
        }}
        bringBack={
          pad.wiped.length > 0 && !written && !handedIn
            ? () => {
                pad.set(pad.wiped);
              }
            : null
        }
        handIn={{ can: can.handIn, act: give }}
      >
        <p role="status" className="min-w-0 flex-1 text-xl">
          {handedIn ? handedIn.say : written ? "" : target === "" ? NOTHING_ASKED : STRUCK_OUT}
        </p>
      </PadBar>
    </>
  );
}

function kindOf(text: string | null): Written["kind"] {
  return text === "row" || text === "sentence" ? text : "word";
}

/** What today's lesson has to write, or something that every hand can. */
function proposed(
  kind: Written["kind"],
  letters: readonly string[],
  words: readonly string[],
  sentence: string,
): string {
  if (kind === "row") return letters[0] ?? "";
  return kind === "word" ? (words[0] ?? "") : sentence;
}
