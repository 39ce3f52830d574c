/** Check: the class's letters spread out as on a table; one is taken up and talked about. */
import { useState } from "react";
import { Link, useSearchParams } from "react-router";

import type { Attempt, Letter } from "../api/client";
import { useAttempts, useLetter } from "../api/queries";
import { InkOverModel } from "../ink/InkOverModel";
import { Choice } from "../ui/Choice";
import { LetterButton } from "../ui/LetterChoice";
import { Empty, Loading, ProblemNote } from "../ui/states";
import { useShortcuts } from "../ui/useShortcuts";
import { DIMENSIONS, VerdictMark } from "../ui/VerdictMark";
import { AttemptPanel } from "./AttemptPanel";
import { SPREADS, spread, type Spread } from "./spread";

export function CheckStation({ letter }: { letter: string }) {
  const attempts = useAttempts(letter);
  const drawing = useLetter(letter);
  const [search] = useSearchParams();
  const pupil = Number(search.get("pupil")) || undefined;
  const [which, setWhich] = useState<Spread>(pupil ? "all" : "newest");
  const error = attempts.error ?? drawing.error;
  return (
    <section className="flex min-h-0 flex-1 flex-col px-5 py-3" aria-label="Letters on the table">
      <div className="mb-3 flex flex-wrap items-center gap-x-6 gap-y-2">
        <LetterButton station="check" letter={letter} />
        <Choice label="Which letters" value={which} options={SPREADS} onChange={setWhich} />
        {pupil ? (
          <Link to={`/check/${letter}`} className="underline underline-offset-4">
            One child only: show the whole class
          </Link>
        ) : null}
      </div>
      {error ? <ProblemNote error={error} retry={() => void attempts.refetch()} /> : null}
      {attempts.isPending || drawing.isPending ? <Loading what="the letters" /> : null}
      {attempts.data && drawing.data ? (
        <Table
          key={`${which} ${pupil ?? ""}`}
          attempts={spread(attempts.data, which, pupil)}
          letter={drawing.data}
        />
      ) : null}
    </section>
  );
}

function Table({ attempts, letter }: { attempts: Attempt[]; letter: Letter }) {
  const [chosen, setChosen] = useState<number | undefined>(attempts[0]?.id);
  const at = Math.max(
    0,
    attempts.findIndex((attempt) => attempt.id === chosen),
  );
  const current = attempts[at];
  const go = (by: number) => {
    const next = attempts[Math.min(attempts.length - 1, Math.max(0, at + by))];
    if (!next) return;
    setChosen(next.id);
    document.getElementById(`attempt-${next.id}`)?.scrollIntoView({ block: "nearest" });
  };
  useShortcuts({
    ArrowRight: () => {
      go(1);
    },
    ArrowLeft: () => {
      go(-1);
    },
  });
  if (!current) {
    return (
      <Empty>
        Nobody has written {letter.letter} yet.{" "}
        <Link to={`/write/${letter.letter}`} className="text-ink underline underline-offset-4">
          Go to the pad
        </Link>
        : what is handed in there lies here at once.
      </Empty>
    );
  }
  return (
    <div className="flex min-h-0 flex-1 gap-5">
      <ul className="grid flex-1 auto-rows-min grid-cols-[repeat(auto-fill,minmax(168px,1fr))] gap-3">
        {attempts.map((attempt) => (
          <li key={attempt.id} id={`attempt-${attempt.id}`}>
            <AttemptCard
              attempt={attempt}
              letter={letter}
              chosen={attempt.id === current.id}
              choose={() => {
                setChosen(attempt.id);
              }}
            />
          </li>
        ))}
      </ul>
      <AttemptPanel
        key={current.id}
        attempt={current}
        letter={letter}
        next={() => {
          go(1);
        }}
      />
    </div>
  );
}

function AttemptCard({
  attempt,
  letter,
  chosen,
  choose,
}: {
  attempt: Attempt;
  letter: Letter;
  chosen: boolean;
  choose: () => void;
}) {
  return (
    <button
      type="button"
      onClick={choose}
      aria-pressed={chosen}
      data-judged={attempt.judgement ? true : undefined}
      className="relative flex w-full flex-col rounded-lg border-2 border-crease bg-leaf p-2 text-left hover:border-rule-deep aria-pressed:border-ink aria-pressed:bg-rule-wash"
    >
      <InkOverModel
        attempt={attempt}
        letter={letter}
        label={`${attempt.letter} by ${attempt.pupil.name}`}
        className="h-32 w-full"
      />
      {attempt.judgement ? (
        <span className="absolute top-1.5 right-2 text-sm text-rule-deep">looked at</span>
      ) : null}
      <span className="mt-1 flex items-center justify-between gap-2">
        <span className="truncate text-lg font-medium">{attempt.pupil.name}</span>
        <span className="flex">
          {DIMENSIONS.map(({ key, name }) => (
            <VerdictMark key={key} verdict={attempt.held[key]} label={name} />
          ))}
        </span>
      </span>
    </button>
  );
}
