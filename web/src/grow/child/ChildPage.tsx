/** A child's page: its letters over time, how large it writes, what it gets, what is told of it. */
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";

import { useChildPage } from "../../api/childQueries";
import { useClassroom } from "../../api/queries";
import type { ChildPageOut } from "../../api/schema";
import { InCopies } from "../../ui/InCopies";
import { Pick } from "../../ui/Pick";
import { Empty, Loading, ProblemNote } from "../../ui/states";
import { Tile } from "../../ui/Tile";
import { dayInWords } from "../map";
import { Habits, TextHabits } from "./Habits";
import { LetterStories } from "./LetterStories";
import { Seen } from "./Seen";
import { SizePlot } from "./SizePlot";
import { TellOthers } from "./TellOthers";
import { WhatItGets } from "./WhatItGets";

export interface Gone {
  name: string;
  copies: number;
  until: string | null;
}

export function ChildPage() {
  const { id } = useParams();
  const [gone, setGone] = useState<Gone>();
  if (gone) {
    return (
      <section className="px-5 py-3" aria-label="Deleted">
        <h1 className="text-2xl font-bold">{gone.name}</h1>
        <InCopies copies={gone.copies} until={gone.until} />
        <Link to="/grow" className="underline underline-offset-4">
          Back to the map
        </Link>
      </section>
    );
  }
  return <Found key={id} id={Number(id)} onGone={setGone} />;
}

function Found({ id, onGone }: { id: number; onGone: (gone: Gone) => void }) {
  const found = useChildPage(id);
  if (found.isPending) return <Loading what="the child’s page" />;
  if (found.isError) return <ProblemNote error={found.error} retry={() => void found.refetch()} />;
  return <Page page={found.data} onGone={onGone} />;
}

function Page({ page, onGone }: { page: ChildPageOut; onGone: (gone: Gone) => void }) {
  const { pupil } = page;
  const helps = useClassroom().data?.helps ?? true;
  return (
    <article className="mx-auto w-full max-w-7xl px-5 py-3">
      <Head page={page} />
      <div className="mt-3 flex gap-8 max-lg:flex-col">
        <div className="min-w-0 flex-1">
          {page.letters.length === 0 ? (
            <Empty>{pupil.name} has not written a letter yet.</Empty>
          ) : (
            <>
              <LetterStories page={page} />
              <SizePlot page={page} />
              <Habits habits={page.habits} />
              <TextHabits page={page} />
            </>
          )}
        </div>
        <aside className="flex w-80 shrink-0 flex-col gap-6 max-lg:w-full">
          <WhatItGets pupil={pupil} />
          {helps ? null : (
            <>
              <Seen pupil={pupil} today={page.day} />
              <TellOthers pupil={pupil} onGone={onGone} />
            </>
          )}
        </aside>
      </div>
    </article>
  );
}

function Head({ page: { pupil, since } }: { page: ChildPageOut }) {
  const pupils = useClassroom().data?.pupils ?? [];
  const go = useNavigate();
  return (
    <header className="flex flex-wrap items-center gap-x-4 gap-y-1">
      {pupil.tile ? <Tile name={pupil.tile} className="size-11" /> : null}
      <h1 className="text-2xl font-bold">{pupil.name}</h1>
      <p className="text-soft">{since ? `first letter on ${dayInWords(since)}` : ""}</p>
      <span className="flex-1" />
      <Pick
        label="Another child"
        value={String(pupil.id)}
        options={pupils.map(({ id, name }) => ({ value: String(id), label: name }))}
        onChange={(chosen) => void go(`/grow/child/${chosen}`)}
      />
      <Link to="/grow" className="underline underline-offset-4">
        The class map
      </Link>
    </header>
  );
}
