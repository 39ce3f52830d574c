/**
 * A word with its sounds: one swing of the pen under each. Letters that share a sound share a
 * swing; of a split pair each half is open towards the other. Words to know by heart have a dotted swing.
 */
import type { WordOut as Word } from "../api/schema";

export function SoundWord({
  word,
  lit = "",
  litAt = [],
}: {
  word: Word;
  /** A letter or pair, or the places of letters, that stand out. */
  lit?: string;
  litAt?: readonly number[];
}) {
  return (
    <span role="img" aria-label={describe(word)} className="inline-flex text-lg leading-tight">
      {piecesOf(word).map(({ letters, open, at: place }, at) => (
        <span
          key={at}
          aria-hidden
          className={`mx-px border-b-2 pb-0.5 ${word.by_heart ? "border-dotted" : ""} ${letters.length > 1 || open ? "border-ember" : "border-rule-deep"} ${ROUNDED[open ?? "closed"]}`}
        >
          {Array.from(letters).map((letter, k) => (
            <span
              key={k}
              className={
                letter === lit || letters === lit || litAt.includes(place + k) ? "font-bold" : ""
              }
            >
              {letter}
            </span>
          ))}
        </span>
      ))}
    </span>
  );
}

const ROUNDED = {
  closed: "rounded-b-[50%_0.35rem] px-px",
  right: "rounded-bl-[0.6rem_0.35rem] pl-px",
  left: "rounded-br-[0.6rem_0.35rem] pr-px",
};

interface SoundPiece {
  at: number;
  letters: string;
  open?: "left" | "right";
}

/** The graphemes in the order of their letters; a split one in two pieces. */
function piecesOf(word: Word): SoundPiece[] {
  return word.graphemes
    .flatMap(({ letters, at }): SoundPiece[] => {
      const [first = 0, last = first] = [at[0], at.at(-1)];
      if (last - first < at.length) return [{ at: first, letters }];
      return [
        { at: first, letters: letters.slice(0, 1), open: "right" },
        { at: last, letters: letters.slice(1), open: "left" },
      ];
    })
    .sort((one, other) => one.at - other.at);
}

function describe(word: Word): string {
  const sounds = word.graphemes.map(({ letters }) => letters).join(" ");
  return `${word.text}: ${sounds}${word.by_heart ? ", by heart" : ""}`;
}
