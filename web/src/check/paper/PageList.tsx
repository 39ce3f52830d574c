/** The pages that were read, as they came: whose, what stands on them, what is wrong. */
import { Check } from "lucide-react";

import type { PageOut } from "../../api/schema";
import { statesInWords } from "./words";

export function PageList({
  pages,
  names,
  chosen,
  onChoose,
}: {
  pages: readonly PageOut[];
  names: ReadonlyMap<number, string>;
  chosen: number | undefined;
  onChoose: (id: number) => void;
}) {
  return (
    <ol aria-label="Pages" className="flex min-h-0 flex-1 flex-col gap-1.5 lg:overflow-y-auto">
      {pages.map((page) => (
        <li key={page.id}>
          <button
            type="button"
            aria-pressed={page.id === chosen}
            onClick={() => {
              onChoose(page.id);
            }}
            className="flex w-full flex-col rounded-md border-2 border-crease bg-leaf px-2.5 py-1.5 text-left hover:border-rule-deep aria-pressed:border-ink aria-pressed:bg-rule-wash"
          >
            <span className="flex w-full items-baseline justify-between gap-2">
              <span className="truncate font-medium">{whose(page, names)}</span>
              <span className="shrink-0 text-sm text-soft">
                {page.title === null ? page.file : `${page.title}, page ${String(page.page)}`}
              </span>
            </span>
            <span className="flex items-center gap-1 text-sm text-soft">
              {page.kept_at ? <Check aria-hidden size={16} className="text-rule-deep" /> : null}
              {page.kept_at ? "In the record: " : ""}
              {page.title === null && !page.is_notebook ? "" : statesInWords(page)}
            </span>
            {page.is_notebook && !page.states.written ? (
              <span className="text-sm">
                It has no marks: mark its rows, or take a sheet whole.
              </span>
            ) : null}
            {(page.is_notebook ? [] : page.problems).map(({ code, say }) => (
              <span key={code} className="text-sm text-ember">
                {say}
              </span>
            ))}
          </button>
        </li>
      ))}
    </ol>
  );
}

function whose(page: PageOut, names: ReadonlyMap<number, string>): string {
  if (page.pupil_id !== null) return names.get(page.pupil_id) ?? "A child that left";
  return page.title === null && !page.is_notebook ? "Not read" : "Whose is it?";
}
