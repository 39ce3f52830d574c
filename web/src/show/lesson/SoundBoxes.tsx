/**
 * A box for each sound of a word, and a counter for each box: one is pushed up as its sound is said;
 * then the letters come into the boxes.
 */
import type { WordOut as Word } from "../../api/schema";

export function SoundBoxes({
  word,
  pushed,
  lettered,
}: {
  word: Word;
  /** How many counters are in their boxes. */
  pushed: number;
  lettered: boolean;
}) {
  const sounds = word.graphemes;
  const said = lettered
    ? sounds.map(({ letters }) => letters).join(", ")
    : `${String(pushed)} counted`;
  return (
    <ol
      aria-label={`${String(sounds.length)} sounds: ${said}`}
      className="flex items-start justify-center gap-4 py-4 big:gap-8 big:py-8"
    >
      {sounds.map(({ letters, at }, place) => {
        const up = place < pushed;
        return (
          <li key={place} className="flex flex-col items-center gap-4 big:gap-8">
            <span className="flex size-36 items-center justify-center rounded-lg border-4 border-rule-deep bg-leaf text-[4rem] big:size-44 big:text-[5rem]">
              {lettered ? spelt(letters, at) : up ? <Counter /> : null}
            </span>
            <span className="flex size-24 items-center justify-center big:size-28">
              {up || lettered ? null : <Counter />}
            </span>
          </li>
        );
      })}
    </ol>
  );
}

/** Letters of a split pair stand apart, with the gap that the other sound is in. */
function spelt(letters: string, at: readonly number[]): string {
  const [first = 0, last = first] = [at[0], at.at(-1)];
  return last - first < at.length ? letters : `${letters.slice(0, 1)}_${letters.slice(1)}`;
}

function Counter() {
  return <span aria-hidden className="size-24 rounded-full bg-honey big:size-28" />;
}
