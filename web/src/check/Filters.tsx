/** What lies on the table: of which days, whose, what, and how it stands with her. */
import { Link, useNavigate, useSearchParams } from "react-router";

import type { PupilOut, TableOut } from "../api/schema";
import { useCodes } from "../api/tableQueries";
import { Choice } from "../ui/Choice";
import { LetterButton } from "../ui/LetterChoice";
import { Pick } from "../ui/Pick";
import { useNarrow } from "../ui/useNarrow";
import { type Chosen, dayChoices, dayName, SHOWN, shownOf } from "./asked";

const ANY = "any";
const KINDS = [
  { value: ANY, label: "Letters and words" },
  { value: "letter", label: "Letters" },
  { value: "row", label: "Rows" },
  { value: "word", label: "Words" },
  { value: "sentence", label: "Sentences" },
];
const HELPS = [
  { value: ANY, label: "Any help" },
  { value: "trace", label: "Traced" },
  { value: "finish", label: "Finished" },
  { value: "copy", label: "Copied" },
  { value: "recall", label: "From memory" },
  { value: "word", label: "In words" },
];
const SOURCES = [
  { value: ANY, label: "Pen, paper or eye" },
  { value: "pen", label: "On pads" },
  { value: "scan", label: "On paper" },
  { value: "eye", label: "Seen by eye" },
];

export function Filters({
  table,
  letter,
  pupils,
}: {
  table: TableOut | undefined;
  letter: string | undefined;
  pupils: readonly PupilOut[];
}) {
  const [search, setSearch] = useSearchParams();
  const navigate = useNavigate();
  const codes = useCodes().data ?? [];
  const set = (changes: Record<string, string | undefined>) => {
    const next = new URLSearchParams(search);
    for (const [name, value] of Object.entries(changes)) {
      if (value === undefined || value === ANY) next.delete(name);
      else next.set(name, value);
    }
    setSearch(next, { replace: true });
  };
  const pick = (
    name: Chosen | "pupil",
    label: string,
    options: { value: string; label: string }[],
  ) => (
    <Pick
      label={label}
      value={search.get(name) ?? ANY}
      options={options}
      onChange={(value) => {
        set({ [name]: value });
      }}
    />
  );
  const letters = [
    ...new Set((table?.cards ?? []).filter((one) => one.kind === "letter").map((c) => c.target)),
  ].sort();
  const narrow = useNarrow();
  const chosen = (
    <>
      {letter ? (
        <LetterButton station="check" letter={letter} />
      ) : letters.length > 1 ? (
        <Pick
          label="Letter"
          value={ANY}
          options={[
            { value: ANY, label: "All letters" },
            ...letters.map((one) => ({ value: one, label: one })),
          ]}
          onChange={(one) => {
            if (one !== ANY) void navigate(`/check/${encodeURIComponent(one)}`);
          }}
        />
      ) : null}
      {table?.family ? <Family family={table.family} letter={letter} /> : null}
      {table ? <Days table={table} set={set} /> : null}
      {pick("pupil", "Child", [
        { value: ANY, label: "Whole class" },
        ...pupils.map(({ id, name }) => ({ value: String(id), label: name })),
      ])}
      {letter ? null : pick("kind", "Kind", KINDS)}
      {pick("finding", "Finding", [
        { value: ANY, label: "Any finding" },
        ...codes.map(({ code, name }) => ({ value: code, label: name })),
      ])}
      {pick("help", "Help", HELPS)}
      {pick("source", "Source", SOURCES)}
      <Choice
        small
        label="Which"
        value={shownOf(search)}
        options={SHOWN}
        onChange={(show) => {
          set({ show: show === "all" ? undefined : show });
        }}
      />
    </>
  );
  return (
    <div className="mb-2 flex flex-wrap items-center gap-x-3 gap-y-2">
      {narrow ? (
        <details className="w-full">
          <summary className="min-h-11 py-2 font-medium">What lies here</summary>
          <div className="flex flex-wrap items-center gap-2 pb-2">{chosen}</div>
        </details>
      ) : (
        chosen
      )}
      <nav aria-label="More of Check" className="ml-auto flex flex-wrap gap-x-4 text-sm">
        {letter ? (
          <Link to="/check" className="underline underline-offset-4">
            All letters
          </Link>
        ) : null}
        <Link to="/check/paper" className="underline underline-offset-4">
          On paper
        </Link>
        <Link to="/check/trust" className="underline underline-offset-4">
          How far to trust it
        </Link>
        <Link to="/check/blind" className="underline underline-offset-4">
          A second pair of eyes
        </Link>
      </nav>
    </div>
  );
}

function Days({
  table,
  set,
}: {
  table: TableOut;
  set: (changes: Record<string, string | undefined>) => void;
}) {
  const value = `${table.begin} ${table.end}`;
  const options = dayChoices(table.days);
  const here = {
    value,
    label:
      table.begin === table.end
        ? dayName(table.begin)
        : `${dayName(table.begin)} to ${dayName(table.end)}`,
  };
  return (
    <Pick
      label="Days"
      value={value}
      options={options.some((one) => one.value === value) ? options : [here, ...options]}
      onChange={(chosen) => {
        const [begin, end] = chosen.split(" ");
        set({ begin, end });
      }}
    />
  );
}

/** The letters that are taught together, to go through one after another. */
function Family({
  family,
  letter,
}: {
  family: NonNullable<TableOut["family"]>;
  letter: string | undefined;
}) {
  return (
    <nav aria-label={family.name} className="flex flex-wrap items-center gap-1">
      {family.letters.map((one) => (
        <Link
          key={one}
          to={`/check/${encodeURIComponent(one)}`}
          aria-current={one === letter ? "page" : undefined}
          className="flex min-h-10 min-w-9 items-center justify-center rounded-md border-2 border-transparent text-xl hover:border-rule-deep aria-[current=page]:border-ink aria-[current=page]:bg-rule-wash"
        >
          {one}
        </Link>
      ))}
    </nav>
  );
}
