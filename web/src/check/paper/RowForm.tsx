/** What was to be written on a row of a notebook, and the rows that were read. */
import { useState } from "react";

import { useReadRow, useTakeBackRow } from "../../api/paperQueries";
import type { PageInFull } from "../../api/schema";
import { Button } from "../../ui/Button";
import { Failed } from "../../ui/states";
import { Tick } from "../../ui/Tick";
import { isMarked, linesIn, nextInWords, nextRow, NO_MARKS, type RowMarks } from "./rowMarks";

export function RowForm({
  page,
  size,
  marks,
  onMark,
}: {
  page: PageInFull;
  size: readonly [number, number];
  marks: RowMarks;
  onMark: (marks: RowMarks) => void;
}) {
  const [target, setTarget] = useState("");
  const [fromMemory, setFromMemory] = useState(false);
  const read = useReadRow();
  const isReady = isMarked(marks) && target.trim() !== "" && !read.isPending;
  const send = () => {
    if (!isMarked(marks)) return;
    const { begin, end, height } = marks;
    read.mutate(
      {
        params: { path: { page_id: page.id } },
        body: { begin, end, x_height: height, target: target.trim(), from_memory: fromMemory },
      },
      {
        onSuccess: () => {
          onMark(nextRow(marks));
          setTarget("");
        },
      },
    );
  };
  return (
    <section aria-label="A row of this page" className="flex flex-col items-start gap-2.5">
      {page.cells.length === 0 ? (
        <p className="text-soft">
          This page has no marks. Mark a row of it with two lines, and it is read like a sheet’s.
          The photograph is kept until its rows are in the record, or the page is deleted.
        </p>
      ) : null}
      <p role="status" className="font-medium">
        {nextInWords(marks)}
      </p>
      <form
        className="flex w-full flex-col items-start gap-2.5"
        onSubmit={(event) => {
          event.preventDefault();
          if (isReady) send();
        }}
      >
        <label className="w-full">
          What was to be written
          <input
            value={target}
            maxLength={80}
            placeholder="n, or: a red hen"
            onChange={(event) => {
              setTarget(event.target.value);
            }}
            className="mt-1 block w-full rounded-md border-2 border-crease bg-leaf px-2.5 py-1.5 text-lg"
          />
        </label>
        <Tick label="From memory" checked={fromMemory} onChange={setFromMemory} />
        <Button look="main" type="submit" disabled={!isReady}>
          {read.isPending ? "Reading …" : "Read this row"}
        </Button>
      </form>
      <Failed of={[read]} />
      <div className="flex flex-wrap gap-2">
        {marks.begin === null ? (
          <Button
            onClick={() => {
              const { begin, end, height } = linesIn(size);
              onMark({ begin, end, height: marks.height ?? height });
            }}
          >
            Put the lines there
          </Button>
        ) : (
          <Button
            onClick={() => {
              onMark(NO_MARKS);
            }}
          >
            Draw both lines anew
          </Button>
        )}
      </div>
      <Rows page={page} />
    </section>
  );
}

function Rows({ page }: { page: PageInFull }) {
  const takeBack = useTakeBackRow();
  const rows = new Map<number, { target: string; count: number }>();
  for (const { row, target } of page.cells) {
    rows.set(row, { target, count: (rows.get(row)?.count ?? 0) + 1 });
  }
  if (rows.size === 0) return null;
  return (
    <div className="w-full">
      <h2 className="font-bold">Rows that were read</h2>
      <ul>
        {[...rows].map(([row, { target, count }]) => (
          <li key={row} className="flex items-center justify-between gap-3">
            <span className="truncate">
              {target}
              {count > 1 ? <span className="text-soft">, {count} times</span> : null}
            </span>
            <Button
              look="quiet"
              aria-label={`Let go of the row ${target}`}
              onClick={() => {
                takeBack.mutate({ params: { path: { page_id: page.id, row } } });
              }}
            >
              Let go
            </Button>
          </li>
        ))}
      </ul>
      <Failed of={[takeBack]} />
    </div>
  );
}
