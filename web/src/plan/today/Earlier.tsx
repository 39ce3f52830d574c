/** Earlier lessons: found again, looked at on the board, and given again. */
import { useState } from "react";
import { Link } from "react-router";

import { useEarlier, useGiveAgain } from "../../api/lessonQueries";
import { Button } from "../../ui/Button";
import { Failed, Loading } from "../../ui/states";

const SHOWN = 8;

export function Earlier() {
  const [open, setOpen] = useState(false);
  return (
    <details
      onToggle={(event) => {
        setOpen(event.currentTarget.open);
      }}
    >
      <summary className="min-h-9 w-fit cursor-pointer content-center font-medium">
        Earlier lessons
      </summary>
      {open && <List />}
    </details>
  );
}

function List() {
  const earlier = useEarlier();
  const again = useGiveAgain();
  const [asked, setAsked] = useState("");
  const [all, setAll] = useState(false);
  if (earlier.isPending) return <Loading what="earlier lessons" />;
  const found = (earlier.data ?? []).filter(
    ({ new: on, words }) => asked === "" || [...on, ...words].some((one) => one.includes(asked)),
  );
  return (
    <div className="flex flex-col gap-2 py-2">
      <Failed of={[earlier, again]} />
      <label className="flex w-fit items-center gap-2">
        <span className="text-soft">On a letter or with a word</span>
        <input
          value={asked}
          maxLength={12}
          onChange={(event) => {
            setAsked(event.target.value.trim());
          }}
          className="min-h-9 w-36 rounded-md border-2 border-crease bg-leaf px-2"
        />
      </label>
      {found.length === 0 && <p className="text-soft">None that was kept.</p>}
      <ul className="flex flex-col">
        {found.slice(0, all ? undefined : SHOWN).map((one) => {
          const name = one.new.join(" ") || one.words.join(" ") || "words";
          return (
            <li
              key={one.id}
              className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-crease py-1"
            >
              <span className="w-52 text-soft">{one.date_text}</span>
              <span className="min-w-24 flex-1 text-lg font-bold">{name}</span>
              <span className="w-20 text-soft">{one.given ? "given" : "planned"}</span>
              <Link
                to={`/show/lesson/${String(one.id)}`}
                aria-label={`Look at ${name}, ${one.date_text}`}
                className="underline underline-offset-4"
              >
                Look at it
              </Link>
              <Button
                className="min-h-9 px-2.5"
                disabled={again.isPending}
                aria-label={`Give ${name} of ${one.date_text} again today`}
                onClick={() => {
                  again.mutate({ params: { path: { lesson_id: one.id } } });
                }}
              >
                Give it again today
              </Button>
            </li>
          );
        })}
      </ul>
      {!all && found.length > SHOWN && (
        <Button
          look="quiet"
          className="w-fit px-1"
          onClick={() => {
            setAll(true);
          }}
        >
          All {found.length}
        </Button>
      )}
    </div>
  );
}
