/**
 * Words, one at a time. Where a class hears before it sees: the sounds are counted into boxes, the
 * class writes, then the board writes sound by sound, each with its letters' phrase. Else the word
 * stands there and is written along. The space bar goes on.
 */
import { useState } from "react";

import type { WordOut as Word } from "../../api/schema";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Empty } from "../../ui/states";
import { useGoesOn } from "../onwards";
import { useCovered } from "./covered";
import { SoundBoxes } from "./SoundBoxes";
import { TextOnLines } from "../../ui/TextOnLines";
import { WordSoFar } from "./WordSoFar";

export function WordsStep({
  words,
  told,
  heard,
}: {
  words: Word[];
  told: readonly string[];
  heard: boolean;
}) {
  const [at, setAt] = useState(0);
  const word = words[at];
  if (!word) return <Empty>There are no words in this lesson yet.</Empty>;
  const next =
    at + 1 < words.length
      ? () => {
          setAt(at + 1);
        }
      : null;
  return (
    <OneWord key={word.text} word={word} told={told} heard={heard} onNext={next}>
      {(shown) => (
        <Choice
          label="Word"
          value={word.text}
          options={words.map(({ text }, place) => ({
            value: text,
            // Not given away before it is heard.
            label: place === at && shown ? text : `word ${String(place + 1)}`,
          }))}
          onChange={(text) => {
            setAt(words.findIndex((one) => one.text === text));
          }}
        />
      )}
    </OneWord>
  );
}

/** What is done with a word, one part after the other. */
interface Part {
  /** What the class is told. */
  said: string;
  /** What the button says that goes on. */
  next: string;
  pushed: number;
  /** How many of its sounds are spelt, and how many are written on the lines. */
  lettered: number;
  written: number | null;
  /** Whether it stands there whole, with what is to be watched in it. */
  whole?: boolean;
}

/** At the end it stands there, as each looks at its own. */
const whole = (sounds: number): Part => ({
  said: "",
  next: "",
  pushed: sounds,
  lettered: sounds,
  written: sounds,
  whole: true,
});

/** Heard: counted, written by the class, then sound by sound on the board. */
function heardParts(sounds: number): Part[] {
  const count = (pushed: number): Part => ({
    said: "Listen to the word. A counter for each sound.",
    next: pushed < sounds ? "Push a counter" : "Now they write",
    pushed,
    lettered: 0,
    written: null,
  });
  const reveal = (written: number): Part => ({
    said: "Look, sound by sound: is yours like this?",
    next: written < sounds ? "The next sound" : "The whole word",
    pushed: sounds,
    lettered: written,
    written,
  });
  return [
    ...Array.from({ length: sounds + 1 }, (_, at) => count(at)),
    {
      said: "You write: a letter, or letters together, for each sound.",
      next: "Show it, sound by sound",
      pushed: sounds,
      lettered: 0,
      written: 0,
    },
    ...Array.from({ length: sounds }, (_, at) => reveal(at + 1)),
    whole(sounds),
  ];
}

/** Shown: read and counted as it stands, then written along, sound by sound. */
function shownParts(sounds: number): Part[] {
  const along = (written: number): Part => ({
    said: "Write along, and say it.",
    next: written < sounds ? "The next sound" : "The whole word",
    pushed: sounds,
    lettered: sounds,
    written,
  });
  return [
    {
      said: "Read it, say it. How many sounds?",
      next: "Write along",
      pushed: sounds,
      lettered: sounds,
      written: null,
    },
    ...Array.from({ length: sounds }, (_, at) => along(at + 1)),
    whole(sounds),
  ];
}

function OneWord({
  word,
  told,
  heard,
  onNext,
  children,
}: {
  word: Word;
  /** What the class is told once the word stands there. */
  told: readonly string[];
  heard: boolean;
  onNext: (() => void) | null;
  children: (shown: boolean) => React.ReactNode;
}) {
  const [at, setAt] = useState(0);
  const sounds = word.graphemes.length;
  const parts = heard ? heardParts(sounds) : shownParts(sounds);
  const part = parts[at];
  const last = at === parts.length - 1;
  const onwards = () => {
    if (!last) setAt(at + 1);
    else onNext?.();
  };
  useGoesOn(onwards);
  useCovered(heard && !last ? word.text : null);
  if (!part) return null;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3">
      <p role="status" className="text-center text-2xl text-soft big:text-[2.75rem]">
        {last ? told.join(" ") : part.said}
      </p>
      <div className="flex min-h-0 flex-1 flex-col items-stretch justify-center">
        <SoundBoxes
          word={word}
          pushed={part.pushed}
          lettered={part.lettered}
          small={part.written !== null}
        />
        {part.whole ? (
          <TextOnLines text={word.text} watched />
        ) : part.written !== null && part.written > 0 ? (
          <WordSoFar word={word} sounds={part.written} />
        ) : null}
      </div>
      <div className="flex flex-wrap items-center gap-3">
        {children(!heard || last)}
        {(!last || onNext) && <Button onClick={onwards}>{last ? "Next word" : part.next}</Button>}
        {at > 0 && (
          <Button
            look="quiet"
            onClick={() => {
              setAt(0);
            }}
          >
            From the beginning
          </Button>
        )}
      </div>
    </div>
  );
}
