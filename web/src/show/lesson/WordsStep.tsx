/**
 * Words, one at a time: heard first, its sounds counted into boxes, then their letters, then written
 * on the lines. The space bar goes on.
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

export function WordsStep({ words, told }: { words: Word[]; told: readonly string[] }) {
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
    <OneWord key={word.text} word={word} told={told} onNext={next}>
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

/** From hearing to writing: a counter a step, then the letters, then the lines. */
function OneWord({
  word,
  told,
  onNext,
  children,
}: {
  word: Word;
  /** What the class is told to do while it writes. */
  told: readonly string[];
  onNext: (() => void) | null;
  children: (shown: boolean) => React.ReactNode;
}) {
  const [gone, setGone] = useState(0);
  const sounds = word.graphemes.length;
  const [lettered, written] = [gone > sounds, gone > sounds + 1];
  const onwards = () => {
    if (!written) setGone(gone + 1);
    else onNext?.();
  };
  useGoesOn(onwards);
  useCovered(lettered ? null : word.text);
  const label = written
    ? "Next word"
    : lettered
      ? "Write it"
      : gone < sounds
        ? "Push a counter"
        : "Show its letters";
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3">
      <div className="flex min-h-0 flex-1 flex-col items-stretch justify-center">
        {!written && (
          <p className="text-center text-2xl text-soft big:text-[3rem]">
            {lettered
              ? "Say it, and read it back."
              : "Listen to the word. A counter for each sound."}
          </p>
        )}
        <SoundBoxes word={word} pushed={Math.min(gone, sounds)} lettered={lettered} />
        {written && <TextOnLines text={word.text} tricky />}
        {written && (
          <p className="text-center text-xl text-soft big:text-[2.25rem]">{told.join(" ")}</p>
        )}
      </div>
      <div className="flex flex-wrap items-center gap-3">
        {children(lettered)}
        {(!written || onNext) && <Button onClick={onwards}>{label}</Button>}
        {gone > 0 && (
          <Button
            look="quiet"
            onClick={() => {
              setGone(0);
            }}
          >
            From the beginning
          </Button>
        )}
      </div>
    </div>
  );
}
