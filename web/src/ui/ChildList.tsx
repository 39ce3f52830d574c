/** A class list, typed or brought along, and beside it what was understood of it, line by line. */
import { useDeferredValue } from "react";

import { useList } from "../api/rosterQueries";
import type { ListOut } from "../api/schema";
import { BringFile } from "./FileButtons";
import { ProblemNote } from "./states";

const EXAMPLE = "Ada\nBo, left\nCass";

/** What may be taken over of a list, for the class that is open or for a new one: nothing while a
 * line of it is at fault. */
export function useChildren(text: string, isNew = false) {
  const read = useList(useDeferredValue(text), isNew);
  const list: ListOut = read.data ?? { children: [], faults: [] };
  const sound = list.faults.length === 0;
  return {
    list,
    error: read.error,
    sound,
    children: sound ? list.children.map(({ name, handedness }) => ({ name, handedness })) : [],
  };
}

export function ChildList({
  text,
  onChange,
  read: { list, error },
}: {
  text: string;
  onChange: (text: string) => void;
  read: ReturnType<typeof useChildren>;
}) {
  return (
    <div className="flex flex-wrap items-start gap-x-6 gap-y-3">
      <div className="flex w-80 max-w-full flex-col gap-2">
        <label className="flex flex-col gap-1">
          <span className="font-medium">Children, one a line</span>
          <textarea
            value={text}
            onChange={(event) => {
              onChange(event.target.value);
            }}
            rows={6}
            placeholder={EXAMPLE}
            spellCheck={false}
            className="rounded-md border-2 border-crease bg-leaf px-3 py-2 placeholder:text-soft/70 hover:border-rule-deep"
          />
        </label>
        <p className="text-sm text-soft">
          Add “, left” for a child who writes with the left hand. A table with headings (first name,
          surname, hand) is understood too.
        </p>
        <BringFile
          label="Bring a list along"
          accept=".csv,.txt,.tsv,text/csv,text/plain"
          onText={onChange}
        />
      </div>
      <div className="min-w-64 flex-1" aria-live="polite">
        {error ? <ProblemNote error={error} /> : null}
        {list.faults.length ? (
          <ul className="mb-2 border-l-4 border-ember bg-ember-wash px-4 py-2" aria-label="To mend">
            {list.faults.map(({ line, what }) => (
              <li key={`${String(line)} ${what}`}>
                <b>Line {line}:</b> {what}
              </li>
            ))}
          </ul>
        ) : null}
        {list.children.length ? (
          <>
            <p className="text-soft">
              {list.children.length === 1 ? "1 child" : `${String(list.children.length)} children`}
            </p>
            <ul className="columns-2 gap-x-6" aria-label="Understood">
              {list.children.map(({ line, name, handedness }) => (
                <li key={line} className="border-b border-rule/60 py-0.5">
                  {name}
                  {handedness === "left" ? <span className="text-soft">, left hand</span> : null}
                </li>
              ))}
            </ul>
          </>
        ) : null}
      </div>
    </div>
  );
}
