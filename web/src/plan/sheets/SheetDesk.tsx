/** A sheet made by hand: its rows on the left, its pages as they are printed on the right. */
import { ChevronLeft, Plus, Printer, Redo2, Undo2 } from "lucide-react";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";

import { addressOf } from "../../api/client";
import { useForgetSheet, useOwnSheet, useOwnSheetPages } from "../../api/ownSheetQueries";
import type { OwnSheetOut } from "../../api/schema";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { ConfirmButton } from "../../ui/ConfirmButton";
import { EditableText } from "../../ui/EditableText";
import { Failed, Loading, ProblemNote } from "../../ui/states";
import { useShortcuts } from "../../ui/useShortcuts";
import { RowEditor } from "./RowEditor";
import { changeRow, moveRow, withoutRow, withRow } from "./rows";
import { SheetOptions } from "./SheetOptions";
import { SheetPages } from "./SheetPages";
import { useSheetDraft } from "./useSheetDraft";

const WHOSE = [
  { value: "all", label: "One for all" },
  { value: "each", label: "One a child" },
] as const;

export function SheetDesk() {
  const sheet = useOwnSheet(Number(useParams().id));
  if (sheet.isPending) return <Loading what="the sheet" />;
  if (!sheet.data) return <Failed of={[sheet]} />;
  return <Desk key={sheet.data.id} kept={sheet.data} />;
}

function Desk({ kept }: { kept: OwnSheetOut }) {
  const { now, version, error, change, undo, redo } = useSheetDraft(kept);
  const [whose, setWhose] = useState<"all" | "each">("all");
  const each = whose === "each";
  const pages = useOwnSheetPages(kept.id, each);
  const count = pages.data?.pages ?? 0;
  const path = { sheet_id: kept.id };
  const query = each ? { each } : {};
  useShortcuts({ ...(undo && { u: undo }), ...(redo && { r: redo }) });
  return (
    <section className="flex min-h-0 flex-1 gap-8 px-5 py-3 max-lg:flex-col" aria-label="A sheet">
      <div className="flex w-[29rem] max-w-full shrink-0 flex-col gap-3 lg:min-h-0 lg:overflow-y-auto">
        <Link to="/plan/sheets" className="inline-flex items-center gap-1 text-soft hover:text-ink">
          <ChevronLeft aria-hidden size={18} /> Sheets
        </Link>
        <h1 className="sr-only">{now.title}</h1>
        <div className="flex items-center gap-1">
          <EditableText
            label="The sheet’s title"
            value={now.title}
            longest={60}
            onChange={(title) => {
              change({ ...now, title });
            }}
            className="text-2xl font-bold"
          />
          <Button
            look="quiet"
            aria-label="Undo (u)"
            title="Undo (u)"
            disabled={!undo}
            onClick={undo}
          >
            <Undo2 aria-hidden size={20} />
          </Button>
          <Button
            look="quiet"
            aria-label="Redo (r)"
            title="Redo (r)"
            disabled={!redo}
            onClick={redo}
          >
            <Redo2 aria-hidden size={20} />
          </Button>
        </div>
        <ol className="flex flex-col gap-1.5">
          {now.rows.map((row, at) => (
            <RowEditor
              key={at}
              number={at + 1}
              row={row}
              onChange={(part) => {
                change(changeRow(now, at, part));
              }}
              onMove={(step) => {
                change(moveRow(now, at, step));
              }}
              onRemove={() => {
                change(withoutRow(now, at));
              }}
            />
          ))}
        </ol>
        <Button
          small
          className="self-start"
          onClick={() => {
            change(withRow(now));
          }}
        >
          <Plus aria-hidden size={18} /> A row more
        </Button>
        <SheetOptions
          sheet={now}
          onChange={(part) => {
            change({ ...now, ...part });
          }}
        />
        <Choice small label="Whose" value={whose} options={WHOSE} onChange={setWhose} />
        <div className="self-start">
          <Forget id={kept.id} />
        </div>
        <p className="text-sm text-soft">
          {now.strips > 1
            ? "Strips are cut apart: photographs of them cannot be read."
            : "Photographs of it are read in Check, On paper."}
        </p>
      </div>
      <div className="flex min-h-0 flex-1 flex-col items-center gap-2">
        {error ? (
          <div className="self-stretch">
            <ProblemNote error={error} />
            <p className="text-sm text-soft">
              Your rows are as you left them; what you see below is how it was before.
            </p>
          </div>
        ) : null}
        {pages.isError ? (
          <ProblemNote error={pages.error} retry={() => void pages.refetch()} />
        ) : null}
        <SheetPages
          pages={count}
          addressOfPage={(page) =>
            addressOf("/api/plan/own-sheets/{sheet_id}/pages/{page}", {
              path: { ...path, page },
              query: { ...query, version },
            })
          }
        >
          {count > 0 ? (
            <a
              href={addressOf("/api/plan/own-sheets/{sheet_id}/pdf", { path, query })}
              target="_blank"
              rel="noreferrer"
              className="inline-flex min-h-11 items-center gap-2 rounded-md border-2 border-ink bg-ink px-4 font-medium text-leaf hover:border-rule-deep hover:bg-rule-deep"
            >
              <Printer aria-hidden size={20} />
              {count === 1 ? "Print it" : `Print ${String(count)} pages`}
            </a>
          ) : null}
        </SheetPages>
      </div>
    </section>
  );
}

function Forget({ id }: { id: number }) {
  const forget = useForgetSheet();
  const navigate = useNavigate();
  return (
    <>
      <ConfirmButton
        label="Throw it away"
        question="The sheet is forgotten. What was printed of it can still be read."
        yes="Throw it away"
        onYes={() => {
          forget.mutate(
            { params: { path: { sheet_id: id } } },
            { onSuccess: () => void navigate("/plan/sheets") },
          );
        }}
      />
      {forget.error ? <ProblemNote error={forget.error} /> : null}
    </>
  );
}
