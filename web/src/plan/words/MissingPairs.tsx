/** Words with their pair missing, and every pair that makes a word of them, uncovered by a press. */
import { useState } from "react";

import { useMissingPairs } from "../../api/wordQueries";
import { Loading, ProblemNote } from "../../ui/states";
import { PairGap } from "../../ui/PairGap";

export function MissingPairs({ allLetters }: { allLetters: boolean }) {
  const puzzles = useMissingPairs(allLetters);
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set());
  const turn = (word: string) => {
    const turned = new Set(open);
    if (!turned.delete(word)) turned.add(word);
    setOpen(turned);
  };
  return (
    <section aria-label="Missing pairs" className="flex flex-col gap-3 lg:min-h-0">
      <header>
        <h2 className="font-bold">Missing pairs</h2>
        <p className="text-sm text-soft">
          A pair of letters speaks for one sound here. Press a word to see all pairs that fit.
        </p>
      </header>
      {puzzles.isPending && <Loading what="the puzzles" />}
      {puzzles.isError && <ProblemNote error={puzzles.error} />}
      {puzzles.data?.length === 0 && (
        <p className="text-soft">
          With the taught letters no word with a pair can be written yet. Try all letters.
        </p>
      )}
      <ul className="flex min-h-0 flex-wrap content-start gap-2 lg:overflow-y-auto pb-2">
        {puzzles.data?.map(({ word, left, answers }) => (
          <li key={word}>
            <button
              type="button"
              aria-expanded={open.has(word)}
              onClick={() => {
                turn(word);
              }}
              className="flex min-h-11 flex-col items-start rounded-md border-2 border-crease bg-leaf px-3 py-1 text-left text-xl hover:border-ink"
            >
              <PairGap left={left} />
              {open.has(word) && (
                <span className="text-base text-soft">
                  {answers.map((pair) => (
                    <span key={pair} className="mr-2">
                      <PairGap left={left} pair={pair} />
                    </span>
                  ))}
                </span>
              )}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
