/**
 * A box for each sound of a word, and a counter for each box: one is pushed up as its sound is said;
 * then the letters come into the boxes.
 */
import type { WordOut as Word } from "../../api/schema";

export function SoundBoxes({
  word,
  pushed,
  lettered,
  small = false,
}: {
  word: Word;
  /** How many counters are in their boxes. */
  pushed: number;
  /** How many of its sounds are spelt, from the first. */
  lettered: number;
  /** Whether the word is written under it. */
  small?: boolean;
}) {
  const sounds = word.graphemes;
  const said =
    lettered > 0
      ? sounds
          .slice(0, lettered)
          .map(({ letters }) => letters)
          .join(", ")
      : `${String(pushed)} counted`;
  const size = small
    ? "size-20 text-[2.5rem] big:size-32 big:text-[4rem]"
    : "size-36 text-[4rem] big:size-44 big:text-[5rem]";
  return (
    <ol
      aria-label={`${String(sounds.length)} sounds: ${said}`}
      className="flex items-start justify-center gap-4 py-4 big:gap-8 big:py-8"
    >
      {sounds.map(({ letters, at }, place) => {
        const up = place < pushed;
        const spelled = place < lettered;
        return (
          <li key={place} className="flex flex-col items-center gap-4 big:gap-8">
            <span
              className={`flex items-center justify-center rounded-lg border-4 border-rule-deep bg-leaf ${size}`}
            >
              {spelled ? spelt(letters, at) : up ? <Counter small={small} /> : null}
            </span>
            {pushed < sounds.length && (
              <span className="flex size-24 items-center justify-center big:size-28">
                {up ? null : <Counter />}
              </span>
            )}
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

function Counter({ small = false }: { small?: boolean }) {
  const size = small ? "size-12 big:size-20" : "size-24 big:size-28";
  return <span aria-hidden className={`rounded-full bg-honey ${size}`} />;
}
