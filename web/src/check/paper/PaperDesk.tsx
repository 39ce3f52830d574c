/** Check, Paper: photographs of sheets are brought, read, looked over and taken into the record. */
import { useState } from "react";
import { Link, useSearchParams } from "react-router";

import { usePaper, useTakePage } from "../../api/paperQueries";
import { useClassroom } from "../../api/queries";
import type { PageOut, PaperOut } from "../../api/schema";
import { Button } from "../../ui/Button";
import { Failed, Loading } from "../../ui/states";
import { Bring } from "./Bring";
import { PageList } from "./PageList";
import { ReadPage } from "./ReadPage";

export function PaperDesk() {
  const paper = usePaper();
  return (
    <section
      className="flex min-h-0 flex-1 gap-5 px-5 py-2.5 max-lg:flex-col lg:h-[calc(100dvh-2.75rem)] lg:flex-none"
      aria-label="On paper"
    >
      <Failed of={[paper]} />
      {paper.isPending ? <Loading what="what was read" /> : null}
      {paper.data ? <Desk paper={paper.data} /> : null}
    </section>
  );
}

function Desk({ paper }: { paper: PaperOut }) {
  const [search, setSearch] = useSearchParams();
  const pupils = useClassroom().data?.pupils ?? [];
  const names = new Map(pupils.map(({ id, name }) => [id, name]));
  const asked = Number(search.get("page"));
  const chosen =
    paper.pages.find((one) => one.id === asked) ??
    paper.pages.find((one) => !one.kept_at && one.states.written) ??
    paper.pages.at(-1);
  return (
    <>
      <div className="flex shrink-0 flex-col gap-3 lg:min-h-0 lg:w-[23rem]">
        <header className="flex items-baseline justify-between gap-4">
          <h1 className="text-2xl font-bold">On paper</h1>
          <Link to="/check" className="text-sm underline underline-offset-4">
            Back to the table
          </Link>
        </header>
        <Bring waiting={paper.waiting} />
        <PageList
          pages={paper.pages}
          names={names}
          chosen={chosen?.id}
          onChoose={(id) => {
            setSearch({ page: String(id) }, { replace: true });
          }}
        />
        <TakeAll pages={paper.pages} />
      </div>
      {chosen ? <ReadPage key={chosen.id} id={chosen.id} pupils={pupils} /> : <Nothing />}
    </>
  );
}

/** All pages whose child is known, one after another: each is in the record when its turn is over. */
function TakeAll({ pages }: { pages: readonly PageOut[] }) {
  const take = useTakePage();
  const [left, setLeft] = useState(0);
  const ready = pages.filter((one) => !one.kept_at && one.pupil_id !== null && one.states.written);
  if (ready.length < 2 && left === 0) return null;
  const takeAll = async () => {
    for (const [at, { id }] of ready.entries()) {
      setLeft(ready.length - at);
      await take.mutateAsync({
        params: { path: { page_id: id } },
        body: { keep_picture: false },
      });
    }
  };
  return (
    <div className="flex flex-col items-start gap-1 border-t-2 border-crease pt-2">
      <Failed of={[take]} />
      <Button
        look="main"
        disabled={left > 0}
        onClick={() =>
          void takeAll()
            .catch(() => undefined)
            .finally(() => {
              setLeft(0);
            })
        }
      >
        {left > 0
          ? `Into the record: ${String(left)} left`
          : `All ${String(ready.length)} into the record`}
      </Button>
      <p className="text-sm text-soft">Their photographs are deleted then.</p>
    </div>
  );
}

function Nothing() {
  return (
    <div className="max-w-xl flex-1 px-6 pt-12 text-lg">
      <p className="font-bold">Nothing was read yet.</p>
      <ol className="mt-2 list-decimal space-y-1 pl-6">
        <li>
          Print a sheet of today’s lesson:{" "}
          <Link to="/plan/today" className="underline underline-offset-4">
            Plan, Today
          </Link>
          , “A sheet to write on”.
        </li>
        <li>The children write on it.</li>
        <li>
          Photograph each page with its four corner marks, or scan the pile, and drop it here.
        </li>
      </ol>
      <p className="mt-3">
        A page of a notebook has no marks: you mark its rows on the photograph.
      </p>
      <p className="mt-3 text-soft">
        Each page says by its marks which it is and whose. Names are not read, and where and with
        what a photograph was taken is not kept.
      </p>
    </div>
  );
}
