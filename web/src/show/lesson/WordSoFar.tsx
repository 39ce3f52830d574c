/**
 * A word on the class's lines, written sound by sound: the pen goes on to the end of the next sound
 * while its letters' phrase stands beside it.
 */
import { useEffect } from "react";

import { useText } from "../../api/lessonQueries";
import type { LetterDrawing as Letter, WordOut as Word } from "../../api/schema";
import { LetterModel } from "../../ink/LetterModel";
import { letterTimeline } from "../../ink/timeline";
import { usePlayback } from "../../ink/usePlayback";
import { Loading, ProblemNote } from "../../ui/states";
import { writtenBy } from "./sounds";

const SPEED = 0.8;

export function WordSoFar({
  word,
  sounds,
}: {
  word: Word;
  /** How many of its sounds are written. */
  sounds: number;
}) {
  const drawing = useText(word.text);
  if (drawing.isPending) return <Loading what="the word" />;
  if (drawing.isError) return <ProblemNote error={drawing.error} />;
  const [letter] = drawing.data;
  return letter ? <Written letter={letter} word={word} sounds={sounds} /> : null;
}

function Written({ letter, word, sounds }: { letter: Letter; word: Word; sounds: number }) {
  const timeline = letterTimeline(letter.strokes, SPEED);
  const playback = usePlayback(timeline.total_s, { fromNothing: true });
  const { playTo } = playback;
  const until = timeline.pieces[writtenBy(letter, word, sounds) - 1]?.end_s ?? 0;
  useEffect(() => {
    playTo(until);
  }, [playTo, until]);
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2">
      <LetterModel
        letter={letter}
        timeline={timeline}
        time_s={Math.min(playback.time_s, until)}
        unseen
        className="min-h-0 w-full flex-1 rounded-lg border-2 border-crease bg-leaf"
      />
      <p role="status" className="min-h-9 text-center text-2xl big:min-h-16 big:text-[2.75rem]">
        {phraseOf(letter, word, sounds)}
      </p>
    </div>
  );
}

/** The phrase of the letters of the sound that is written now. */
function phraseOf(letter: Letter, word: Word, sounds: number): string {
  const places = word.graphemes[sounds - 1]?.at ?? [];
  const moves = letter.strokes.flat();
  return places
    .map((place) => {
      const said = moves.filter(({ of }) => of === place).map(({ words }) => words);
      return `${word.text.charAt(place)}: ${said.join(", ")}`;
    })
    .join("; ");
}
