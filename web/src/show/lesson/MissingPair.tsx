/** A word with its pair missing: all pairs that make a word of it are uncovered one by one. */
import { useState } from "react";

import { useMissingPairs } from "../../api/wordQueries";
import { Button } from "../../ui/Button";
import { Empty, Loading, ProblemNote } from "../../ui/states";
import { useGoesOn } from "../onwards";
import { PairGap } from "../../ui/PairGap";

export function MissingPair({ told }: { told: readonly string[] }) {
  const puzzles = useMissingPairs(false);
  const [at, setAt] = useState(0);
  const [uncovered, setUncovered] = useState(0);
  const puzzle = puzzles.data?.[at];
  const answers = puzzle?.answers.length ?? 0;
  const goOn = () => {
    if (uncovered < answers) setUncovered(uncovered + 1);
    else {
      setAt((at + 1) % Math.max(1, puzzles.data?.length ?? 1));
      setUncovered(0);
    }
  };
  useGoesOn(goOn);
  if (puzzles.isPending) return <Loading what="the puzzles" />;
  if (puzzles.isError) return <ProblemNote error={puzzles.error} />;
  if (!puzzle)
    return <Empty>No pair such as sh or ck can be written with the taught letters yet.</Empty>;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3">
      <div className="flex min-h-0 flex-1 flex-col items-center justify-center gap-10 rounded-lg border-2 border-crease bg-leaf p-6">
        <p className="text-[6rem] leading-none big:text-[11rem]">
          <PairGap left={puzzle.left} />
        </p>
        <ul role="status" aria-label="Pairs that fit" className="flex min-h-24 flex-wrap gap-6">
          {puzzle.answers.slice(0, uncovered).map((pair) => (
            <li key={pair} className="text-[2.5rem] leading-tight big:text-[4rem]">
              <PairGap left={puzzle.left} pair={pair} />
            </li>
          ))}
        </ul>
      </div>
      <div className="flex flex-wrap items-center gap-4 pb-1">
        <Button look="main" onClick={goOn}>
          {uncovered < answers
            ? uncovered === 0
              ? "Uncover a pair that fits"
              : "Uncover another"
            : "The next word"}
        </Button>
        <p className="text-soft">
          {[answers === 1 ? "One pair fits." : `${String(answers)} pairs fit.`, ...told].join(" ")}
        </p>
      </div>
    </div>
  );
}
