/** Check: rows, words and sentences on the table; one is taken up, large. */
import { useRef, useState } from "react";
import { Link, useSearchParams } from "react-router";

import { useClassroom } from "../../api/queries";
import type { RulingLine as Line, TextOut as Text } from "../../api/schema";
import { type TextsAsked, useTexts } from "../../api/textQueries";
import { Choice } from "../../ui/Choice";
import { MoreButton } from "../../ui/MoreButton";
import { Empty, Loading, ProblemNote } from "../../ui/states";
import { useShortcuts } from "../../ui/useShortcuts";
import { DIMENSIONS, VerdictMark } from "../../ui/VerdictMark";
import { TextInk } from "./TextInk";
import { TextPanel } from "./TextPanel";

const KINDS = [
  { value: "all", label: "All" },
  { value: "row", label: "Rows" },
  { value: "word", label: "Words" },
  { value: "sentence", label: "Sentences" },
] as const;

type Kind = (typeof KINDS)[number]["value"];

export function TextTable() {
  const [search] = useSearchParams();
  const pupil = Number(search.get("pupil")) || undefined;
  const [kind, setKind] = useState<Kind>("all");
  const asked: TextsAsked = { ...(pupil ? { pupil } : {}), ...(kind === "all" ? {} : { kind }) };
  const classroom = useClassroom();
  const table = useTexts(asked);
  return (
    <section className="flex min-h-0 flex-1 flex-col px-5 py-3" aria-label="Texts on the table">
      <div className="mb-3 flex flex-wrap items-center gap-x-6 gap-y-2">
        <Link to="/check" className="underline underline-offset-4">
          Single letters
        </Link>
        <Choice label="Which texts" value={kind} options={KINDS} onChange={setKind} />
        {pupil ? (
          <Link to="/check/text" className="underline underline-offset-4">
            One child only: show the whole class
          </Link>
        ) : null}
      </div>
      {table.isError ? (
        <ProblemNote error={table.error} retry={() => void table.refetch()} />
      ) : null}
      {table.isPending ? <Loading what="the texts" /> : null}
      {table.data && classroom.data ? (
        <Table key={kind} texts={table.data.texts} lines={classroom.data.lines}>
          <MoreButton pages={table} shown={table.data.texts.length} total={table.data.total} />
        </Table>
      ) : null}
    </section>
  );
}

function Table({
  texts,
  lines,
  children,
}: {
  texts: readonly Text[];
  lines: readonly Line[];
  children: React.ReactNode;
}) {
  const [chosen, setChosen] = useState<number | undefined>(texts[0]?.id);
  const top = useRef<HTMLDivElement>(null);
  const at = Math.max(
    0,
    texts.findIndex((text) => text.id === chosen),
  );
  const current = texts[at];
  const go = (by: number) => {
    const next = texts[Math.min(texts.length - 1, Math.max(0, at + by))];
    if (next) setChosen(next.id);
  };
  useShortcuts({
    ArrowDown: () => {
      go(1);
    },
    ArrowUp: () => {
      go(-1);
    },
  });
  if (!current) {
    return (
      <Empty>
        No rows, words or sentences lie here yet.{" "}
        <Link to="/write/text" className="text-ink underline underline-offset-4">
          Go to the pad
        </Link>
        : what is handed in there lies here at once.
      </Empty>
    );
  }
  return (
    <div ref={top} className="flex min-h-0 flex-1 scroll-mt-4 flex-col gap-4">
      <TextPanel
        key={current.id}
        text={current}
        lines={lines}
        next={() => {
          go(1);
        }}
      />
      <ul className="grid auto-rows-min grid-cols-[repeat(auto-fill,minmax(min(20rem,100%),1fr))] gap-3">
        {texts.map((text) => (
          <li key={text.id}>
            <button
              type="button"
              onClick={() => {
                setChosen(text.id);
                top.current?.scrollIntoView({ block: "start" });
              }}
              aria-pressed={text.id === current.id}
              className="flex w-full flex-col rounded-lg border-2 border-crease bg-leaf p-2 text-left hover:border-rule-deep aria-pressed:border-ink aria-pressed:bg-rule-wash"
            >
              <TextInk
                text={text}
                lines={lines}
                label={`${text.target} by ${text.pupil.name}`}
                className="h-24 w-full"
              />
              <span className="mt-1 flex items-center justify-between gap-2">
                <span className="truncate text-lg font-medium">
                  {text.pupil.name}
                  {text.judgement ? (
                    <span className="text-sm text-rule-deep"> looked at</span>
                  ) : null}
                </span>
                <span className="flex">
                  {DIMENSIONS.map(({ key, name }) => (
                    <VerdictMark key={key} verdict={text.held[key]} label={name} />
                  ))}
                </span>
              </span>
            </button>
          </li>
        ))}
      </ul>
      {children}
    </div>
  );
}
