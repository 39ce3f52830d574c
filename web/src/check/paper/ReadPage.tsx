/** A page as it was photographed, laid flat, with what was read over each cell; a cell is opened. */
import { useState } from "react";
import { Link } from "react-router";

import { addressOf } from "../../api/client";
import { usePage, useRemovePage, useSetPupil, useTakePage } from "../../api/paperQueries";
import type { CellOut, PageInFull, PupilOut } from "../../api/schema";
import { Button } from "../../ui/Button";
import { ConfirmButton } from "../../ui/ConfirmButton";
import { Pick } from "../../ui/Pick";
import { Empty, Failed, Loading } from "../../ui/states";
import { Tick } from "../../ui/Tick";
import { CellOpen } from "./CellOpen";
import { PagePicture } from "./PagePicture";
import { RowForm } from "./RowForm";
import { RowLines } from "./RowLines";
import { NO_MARKS } from "./rowMarks";

const NOBODY = "nobody";

export function ReadPage({ id, pupils }: { id: number; pupils: readonly PupilOut[] }) {
  const page = usePage(id);
  return (
    <article aria-label="The page" className="flex min-h-0 min-w-0 flex-1 flex-col gap-2">
      <Failed of={[page]} />
      {page.isPending ? <Loading what="the page" /> : null}
      {page.data ? (
        <>
          <Above page={page.data} pupils={pupils} />
          <Page page={page.data} />
        </>
      ) : null}
    </article>
  );
}

function Above({ page, pupils }: { page: PageInFull; pupils: readonly PupilOut[] }) {
  const [keepPicture, setKeepPicture] = useState(false);
  const assign = useSetPupil();
  const take = useTakePage();
  const remove = useRemovePage();
  const path = { page_id: page.id };
  const isOpen = page.kept_at === null;
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <Failed of={[assign, take, remove]} />
      {isOpen && (page.title !== null || page.is_notebook) ? (
        <>
          <Pick
            label="Whose page it is"
            value={page.pupil_id === null ? NOBODY : String(page.pupil_id)}
            options={[
              { value: NOBODY, label: "Whose is it?" },
              ...pupils.map(({ id, name }) => ({ value: String(id), label: name })),
            ]}
            onChange={(value) => {
              const pupil_id = value === NOBODY ? null : Number(value);
              assign.mutate({ params: { path }, body: { pupil_id } });
            }}
          />
          <Button
            look="main"
            disabled={page.pupil_id === null || !page.states.written || take.isPending}
            onClick={() => {
              take.mutate({ params: { path }, body: { keep_picture: keepPicture } });
            }}
          >
            {take.isPending ? "Into the record …" : "Into the record"}
          </Button>
          <Tick label="Keep the photograph" checked={keepPicture} onChange={setKeepPicture} />
        </>
      ) : null}
      {isOpen ? null : (
        <p>
          In the record.{" "}
          <Link to="/check?source=scan" className="underline underline-offset-4">
            Judge it on the table
          </Link>
        </p>
      )}
      <span className="ml-auto">
        <ConfirmButton
          label="Delete the page"
          question={
            isOpen
              ? "The page and its photograph are deleted, and nothing of it goes into the record."
              : "The page and its photograph are deleted. What is in the record stays there."
          }
          yes="Delete it"
          onYes={() => {
            remove.mutate({ params: { path } });
          }}
        />
      </span>
    </div>
  );
}

function Page({ page }: { page: PageInFull }) {
  const [open, setOpen] = useState<readonly [number, number]>();
  const [marks, setMarks] = useState(NO_MARKS);
  const cell = page.cells.find((one) => one.row === open?.[0] && one.cell === open[1]);
  if (page.size_mm === null) return <NoPicture page={page} />;
  const picture = addressOf("/api/check/paper/pages/{page_id}/picture", {
    path: { page_id: page.id },
  });
  const size = page.size_mm;
  const isToMark = page.is_notebook && page.kept_at === null;
  return (
    <div className="flex min-h-0 flex-1 gap-4 max-lg:flex-col">
      <PagePicture
        page={page}
        size={size}
        picture={picture}
        open={cell}
        onOpen={({ row, cell: at }: CellOut) => {
          setOpen([row, at]);
        }}
      >
        {isToMark ? <RowLines marks={marks} size={size} onMark={setMarks} /> : null}
      </PagePicture>
      <div className="flex shrink-0 flex-col gap-5 border-rule lg:w-[19.5rem] lg:overflow-y-auto lg:border-l-2 lg:pr-1.5 lg:pl-4">
        {isToMark ? <RowForm page={page} size={size} marks={marks} onMark={setMarks} /> : null}
        {isToMark && page.cells.length === 0 ? null : (
          <CellOpen page={page} cell={cell} picture={picture} size={size} />
        )}
      </div>
    </div>
  );
}

function NoPicture({ page }: { page: PageInFull }) {
  if (page.kept_at) {
    return (
      <Empty>
        What was written is in the record, with its ink. The photograph was deleted, as photographs
        are.
      </Empty>
    );
  }
  return (
    <Empty>
      {page.problems.map(({ code, say }) => (
        <p key={code}>{say}</p>
      ))}
    </Empty>
  );
}
