/** Check: the class's letters spread out as on a table; one is taken up and talked about. */
import { Eye } from "lucide-react";
import { type ReactNode, useState } from "react";
import { Link, useSearchParams } from "react-router";

import type { AttemptOut as Attempt, LetterDrawing as Letter, TaughtTogether } from "../api/schema";
import { type TableAsked, useTable } from "../api/attemptQueries";
import { useLetter } from "../api/queries";
import { InkOverModel } from "../ink/InkOverModel";
import { Choice } from "../ui/Choice";
import { LetterButton } from "../ui/LetterChoice";
import { MoreButton } from "../ui/MoreButton";
import { Empty, Loading, ProblemNote } from "../ui/states";
import { useShortcuts } from "../ui/useShortcuts";
import { DIMENSIONS, VerdictMark } from "../ui/VerdictMark";
import { AttemptPanel } from "./AttemptPanel";

const SPREADS = [
  { value: "newest", label: "Newest of each child" },
  { value: "open", label: "Not looked at yet" },
  { value: "mend", label: "To mend" },
  { value: "all", label: "All" },
] as const;

type Spread = (typeof SPREADS)[number]["value"];

const ASKED: Record<Spread, TableAsked> = {
  newest: { newest: true },
  open: { unjudged: true },
  mend: { to_mend: true },
  all: {},
};

export function CheckStation({ letter }: { letter: string }) {
  const [search] = useSearchParams();
  const pupil = Number(search.get("pupil")) || undefined;
  const [which, setWhich] = useState<Spread>(pupil ? "all" : "newest");
  const table = useTable(letter, { ...ASKED[which], ...(pupil ? { pupil } : {}) });
  const drawing = useLetter(letter);
  const family = table.data?.family;
  const failed = [table, drawing].find(({ isError }) => isError);
  return (
    <section className="flex min-h-0 flex-1 flex-col px-5 py-3" aria-label="Letters on the table">
      <div className="mb-3 flex flex-wrap items-center gap-x-6 gap-y-2">
        <LetterButton station="check" letter={letter} />
        {family ? <Family family={family} letter={letter} /> : null}
        <Link to="/check/text" className="underline underline-offset-4">
          Words and rows
        </Link>
        <Choice label="Which letters" value={which} options={SPREADS} onChange={setWhich} />
        {pupil ? (
          <Link to={`/check/${letter}`} className="underline underline-offset-4">
            One child only: show the whole class
          </Link>
        ) : null}
      </div>
      {failed ? <ProblemNote error={failed.error} retry={() => void failed.refetch()} /> : null}
      {!failed && (table.isPending || drawing.isPending) ? <Loading what="the letters" /> : null}
      {table.data && drawing.data ? (
        <Table
          key={`${which} ${pupil ?? ""}`}
          attempts={table.data.attempts}
          all={which === "all"}
          letter={drawing.data}
        >
          <MoreButton pages={table} shown={table.data.attempts.length} total={table.data.total} />
        </Table>
      ) : null}
    </section>
  );
}

/** The letters that are taught together, to go through one after another. */
function Family({ family, letter }: { family: TaughtTogether; letter: string }) {
  return (
    <nav aria-label={family.name} className="flex flex-wrap items-center gap-1">
      <span className="mr-1 text-soft">{family.name}</span>
      {family.letters.map((one) => (
        <Link
          key={one}
          to={`/check/${encodeURIComponent(one)}`}
          aria-current={one === letter ? "page" : undefined}
          className="flex min-h-11 min-w-9 items-center justify-center rounded-md border-2 border-transparent text-xl hover:border-rule-deep aria-[current=page]:border-ink aria-[current=page]:bg-rule-wash"
        >
          {one}
        </Link>
      ))}
    </nav>
  );
}

function Table({
  attempts,
  all,
  letter,
  children,
}: {
  attempts: Attempt[];
  /** Whether nothing was left out: then an empty table means that nobody wrote. */
  all: boolean;
  letter: Letter;
  /** What comes after the letters that are there. */
  children: ReactNode;
}) {
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
  if (!current && !all) return <Empty>No letter {letter.letter} lies here. Look at all.</Empty>;
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
    <div className="flex min-h-0 flex-1 gap-5 max-lg:flex-col-reverse max-lg:justify-end">
      <div className="flex min-w-0 flex-1 flex-col gap-3">
        <ul className="grid auto-rows-min grid-cols-[repeat(auto-fill,minmax(132px,1fr))] sm:grid-cols-[repeat(auto-fill,minmax(168px,1fr))] gap-3">
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
        {children}
      </div>
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
      {attempt.source === "eye" ? (
        <span className="flex h-32 w-full flex-col items-center justify-center gap-1 text-soft">
          <Eye aria-hidden size={32} />
          seen by eye
          <span className="sr-only">
            : {attempt.letter} by {attempt.pupil.name}
          </span>
        </span>
      ) : (
        <InkOverModel
          attempt={attempt}
          letter={letter}
          label={`${attempt.letter} by ${attempt.pupil.name}`}
          className="h-32 w-full"
        />
      )}
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
