/** Check: all that the class wrote on one table, in piles; one thing is taken up and judged. */
import { Undo2 } from "lucide-react";
import { useCallback, useMemo, useReducer } from "react";
import { Link, useSearchParams } from "react-router";

import { addressOf } from "../api/client";
import { useClassroom } from "../api/queries";
import type { TableOut } from "../api/schema";
import { aboutOf, type Key, keyOf, useTable, useThing } from "../api/tableQueries";
import { Button } from "../ui/Button";
import { Empty, Loading, ProblemNote } from "../ui/states";
import { useShortcuts } from "../ui/useShortcuts";
import { askedOf } from "./asked";
import { beside, type Desk, EMPTY, inOrder, pilesOf, step } from "./desk";
import { Filters } from "./Filters";
import { LetterPanel } from "./LetterPanel";
import { Piles } from "./Piles";
import { TextPanel } from "./texts/TextPanel";
import { useWords, type Words } from "./useWords";

export function CheckDesk({ letter }: { letter?: string }) {
  const [search] = useSearchParams();
  const asked = askedOf(search, letter);
  const table = useTable(asked);
  const classroom = useClassroom();
  return (
    <section
      className="flex min-h-0 flex-1 flex-col px-5 py-2.5 lg:h-[calc(100dvh-2.75rem)] lg:flex-none"
      aria-label="What the class wrote"
    >
      <Filters table={table.data} letter={letter} pupils={classroom.data?.pupils ?? []} />
      {table.isError ? (
        <ProblemNote error={table.error} retry={() => void table.refetch()} />
      ) : null}
      {table.isPending ? <Loading what="what the class wrote" /> : null}
      {table.data && classroom.data ? (
        <Table
          key={JSON.stringify([asked, table.data.begin, table.data.end])}
          table={table.data}
          names={new Map(classroom.data.pupils.map(({ id, name }) => [id, name]))}
        />
      ) : null}
    </section>
  );
}

function Table({ table, names }: { table: TableOut; names: ReadonlyMap<number, string> }) {
  const piles = useMemo(() => pilesOf(table), [table]);
  const cards = useMemo(() => inOrder(piles), [piles]);
  const [desk, act] = useReducer(step, EMPTY);
  const first = cards[0];
  const current = desk.current ?? (first && keyOf(first));
  const here = { ...desk, current };
  const words = useWords(piles, here, act);
  const takeUp = useCallback((key: Key | undefined) => {
    act({ do: "take up", key });
  }, []);
  const go = (by: number) => () => {
    takeUp(beside(cards, current, by));
  };
  const pile = piles.find((one) => one.cards.some((card) => keyOf(card) === current));
  useShortcuts({
    ArrowRight: go(1),
    ArrowDown: go(1),
    ArrowLeft: go(-1),
    ArrowUp: go(-1),
    g: () => {
      if (pile && pile.key !== "first") words.agreeToPile(pile);
    },
    t: () => {
      if (current) act({ do: "take out", key: current });
    },
    b: () => {
      if (current?.startsWith("attempt")) act({ do: "wall", key: current });
    },
    u: words.undo,
  });
  if (!first || !current) return <Nothing table={table} />;
  return (
    <div className="flex min-h-0 flex-1 gap-4 max-lg:flex-col-reverse max-lg:justify-end">
      <div className="flex min-h-0 min-w-0 flex-1 flex-col">
        <Piles
          piles={piles}
          desk={here}
          names={names}
          takeUp={takeUp}
          agreeToPile={words.agreeToPile}
        />
        <Below table={table} desk={desk} words={words} />
      </div>
      <TakenUp key={current} which={current} words={words} />
    </div>
  );
}

/** How much lies there and is judged; what was done last, and how to take it back. */
function Below({ table, desk, words }: { table: TableOut; desk: Desk; words: Words }) {
  const wall = [...desk.wall].map((key) => aboutOf(key).attempt_id);
  const judged = table.cards.filter((card) => card.judged).length;
  const more =
    table.total > table.cards.length ? `, the newest of ${table.total}: choose fewer days` : "";
  return (
    <div className="flex min-h-10 flex-wrap items-center gap-x-4 border-t-2 border-crease pt-1">
      <p className="text-soft">
        {judged} of {table.cards.length} judged{more}
      </p>
      <p role="status" className="min-w-0 flex-1 truncate text-right">
        {words.told}
      </p>
      {wall.length > 0 ? (
        <a
          href={addressOf("/api/check/wall", { query: { attempt: wall } })}
          target="_blank"
          rel="noreferrer"
          className="underline underline-offset-4"
        >
          {`Print ${wall.length} for the wall`}
        </a>
      ) : null}
      {desk.undo.length > 0 ? (
        <Button small onClick={words.undo} aria-keyshortcuts="u">
          <Undo2 aria-hidden size={18} /> Undo
        </Button>
      ) : null}
    </div>
  );
}

function TakenUp({ which, words }: { which: Key; words: Words }) {
  const thing = useThing(which);
  const isText = which.startsWith("text");
  const name =
    thing.data?.kind === "text"
      ? `${thing.data.text.target} by ${thing.data.text.pupil.name}`
      : thing.data && `${thing.data.attempt.letter} by ${thing.data.attempt.pupil.name}`;
  return (
    <article
      aria-label={name ?? "Taken up"}
      className={`flex shrink-0 flex-col gap-2.5 border-rule max-lg:border-b-2 max-lg:pb-3 lg:overflow-y-auto lg:border-l-2 lg:pl-4 ${isText ? "lg:w-[36rem]" : "lg:w-[28.5rem]"}`}
    >
      {words.error ? <ProblemNote error={words.error} /> : null}
      {thing.isError ? (
        <ProblemNote error={thing.error} retry={() => void thing.refetch()} />
      ) : null}
      {thing.data?.kind === "attempt" ? (
        <LetterPanel attempt={thing.data.attempt} words={words} />
      ) : null}
      {thing.data?.kind === "text" ? <TextPanel text={thing.data.text} words={words} /> : null}
    </article>
  );
}

function Nothing({ table }: { table: TableOut }) {
  if (table.days.length > 0) {
    return <Empty>Nothing like this lies here. Choose other days, or ask for more.</Empty>;
  }
  return (
    <Empty>
      Nobody has written anything yet.{" "}
      <Link to="/write" className="text-ink underline underline-offset-4">
        Open the pads
      </Link>
      : what is handed in there lies here at once.
    </Empty>
  );
}
