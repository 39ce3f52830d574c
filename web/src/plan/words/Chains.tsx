/** A chain of words: from one to another by the shortest way, or on from one for so many words. */
import { useDeferredValue, useState } from "react";

import type { LessonOut as Lesson, WordOut as Word } from "../../api/schema";
import { useChangeLesson, useToday } from "../../api/lessonQueries";
import { useChain, useChainTo } from "../../api/wordQueries";
import { Button } from "../../ui/Button";
import { Loading, messageOf, ProblemNote } from "../../ui/states";
import { SoundWord } from "../../ui/SoundWord";
import { changedPlaces } from "./changed";
import { Tick } from "../../ui/Tick";
import { WordInput } from "./WordInput";

const SHORTEST = 3;
const LONGEST = 8;

export function Chains({ allLetters }: { allLetters: boolean }) {
  const today = useToday();
  const [start, setStart] = useState("");
  const [end, setEnd] = useState("");
  const [length, setLength] = useState(6);
  const from = useDeferredValue(start.trim().toLowerCase());
  const to = useDeferredValue(end.trim().toLowerCase());
  const [back, setBack] = useState(false);
  const ofLength = useChain(from, { length, back, all_letters: allLetters }, to === "");
  const shortest = useChainTo(from, to, allLetters, from !== "" && to !== "");
  const chain = to === "" ? ofLength : shortest;
  return (
    <section aria-label="Chains" className="flex flex-col gap-3 lg:min-h-0">
      <header>
        <h2 className="font-bold">A chain</h2>
        <p className="text-sm text-soft">One sound changes at a time.</p>
      </header>
      <div className="flex flex-wrap items-end gap-3">
        <WordInput label="Begin with" value={start} placeholder="any word" onChange={setStart} />
        <WordInput label="End with, or leave open" value={end} onChange={setEnd} />
      </div>
      {end.trim() === "" && (
        <div className="flex items-center gap-2">
          <Button
            aria-label="A word fewer"
            disabled={length <= SHORTEST}
            onClick={() => {
              setLength(length - 1);
            }}
          >
            −
          </Button>
          <span role="status" className="min-w-20 text-center">
            {length} words
          </span>
          <Button
            aria-label="A word more"
            disabled={length >= LONGEST}
            onClick={() => {
              setLength(length + 1);
            }}
          >
            +
          </Button>
          <Tick label="back to the first word" checked={back} onChange={setBack} />
        </div>
      )}
      {start.trim() === "" && end.trim() !== "" && (
        <p className="text-soft">Type a word to begin with as well.</p>
      )}
      {chain.isError && <ProblemNote error={chain.error} retry={() => void chain.refetch()} />}
      {today.isError && <ProblemNote error={today.error} retry={() => void today.refetch()} />}
      {chain.isLoading && <Loading what="a chain" />}
      {(start.trim() !== "" || end.trim() === "") && chain.data && (
        <Found
          words={chain.data.words}
          start={start}
          end={end}
          lesson={today.data?.lesson ?? null}
        />
      )}
    </section>
  );
}

function Found({
  words,
  start,
  end,
  lesson,
}: {
  words: Word[];
  start: string;
  end: string;
  lesson: Lesson | null;
}) {
  if (words.length === 0) {
    return (
      <p role="status" className="text-soft">
        There is no such chain{start === "" ? "" : ` from “${start}”`}
        {end === "" ? "" : ` to “${end}”`} with these letters. Try another word, fewer words, or all
        letters.
      </p>
    );
  }
  return (
    <>
      <ol aria-label="The chain" className="flex min-h-0 flex-col gap-0.5 lg:overflow-y-auto">
        {words.map((word, at) => (
          <li key={at} className="flex items-baseline gap-3">
            <span className="w-5 text-right text-sm text-soft">{at + 1}</span>
            <span className="[&_span]:text-2xl">
              <SoundWord word={word} litAt={changedPlaces(words[at - 1], word)} />
            </span>
          </li>
        ))}
      </ol>
      {lesson && !lesson.given && words.length <= LONGEST ? (
        <IntoLesson lesson={lesson} words={words.map(({ text }) => text)} />
      ) : (
        <p className="text-sm text-soft">
          {words.length > LONGEST
            ? `A lesson holds ${String(LONGEST)} words.`
            : "Plan today's lesson, and the chain can go into it."}
        </p>
      )}
    </>
  );
}

function IntoLesson({ lesson, words }: { lesson: Lesson; words: string[] }) {
  const change = useChangeLesson(lesson.id);
  const take = (chosen: string[]) => {
    change.change({ do: "words", words: chosen });
  };
  const there = words.join(" ") === lesson.words.join(" ");
  const [before, setBefore] = useState<string[] | null>(null);
  return (
    <div className="flex items-center gap-3">
      <Button
        disabled={there || change.isPending}
        onClick={() => {
          setBefore(lesson.words);
          take(words);
        }}
      >
        {there ? "These are today's words" : "Take as today's words"}
      </Button>
      {there && before && (
        <Button
          look="quiet"
          onClick={() => {
            take(before);
            setBefore(null);
          }}
        >
          Take back
        </Button>
      )}
      {change.isError && (
        <span role="alert" className="text-ember">
          {messageOf(change.error)}
        </span>
      )}
    </div>
  );
}
