/** Finds a letter by itself or by its family: type, then Enter for the first that is found. */
import { Search } from "lucide-react";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";

import { useClassroom } from "../api/queries";
import { useScheme, useSchemes } from "../api/schemeQueries";
import { SmallLetter } from "../ui/SmallLetter";
import { ProblemNote } from "../ui/states";
import { useShortcuts } from "../ui/useShortcuts";

const MOST = 8;

export function FindLetter() {
  const [typed, setTyped] = useState("");
  const input = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const letters = useClassroom().data?.letters ?? [];
  const schemes = useSchemes();
  const scheme = useScheme(schemes.data?.chosen ?? "movement");
  const families = scheme.data?.families ?? [];
  const failed = [schemes, scheme].find(({ isError }) => isError);
  useShortcuts({ "/": () => input.current?.focus() });

  const wanted = typed.trim();
  const ofFamilies = families
    .filter(({ name, why }) => `${name} ${why}`.toLowerCase().includes(wanted.toLowerCase()))
    .flatMap((family) => family.letters);
  const found = letters.includes(wanted) ? [wanted] : wanted.length > 1 ? ofFamilies : [];
  const open = (letter: string | undefined) => {
    if (!letter) return;
    setTyped("");
    void navigate(`/plan/letters/${encodeURIComponent(letter)}`);
  };
  return (
    <form
      role="search"
      className="relative flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        open(found[0]);
      }}
    >
      <Search aria-hidden size={18} className="text-soft" />
      <input
        ref={input}
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
        }}
        onKeyDown={(event) => {
          if (event.key === "Escape") setTyped("");
        }}
        aria-label="Find a letter or a family"
        aria-keyshortcuts="/"
        placeholder="Find a letter or a family"
        className="min-h-9 w-60 max-w-[calc(100vw-5rem)] rounded-md border-2 border-crease bg-leaf px-3 placeholder:text-soft"
      />
      {wanted ? (
        <div className="absolute top-11 right-0 z-10 flex min-w-60 flex-wrap gap-1.5 rounded-md border-2 border-ink bg-paper p-2 shadow-lg">
          {failed ? (
            <ProblemNote error={failed.error} retry={() => void failed.refetch()} />
          ) : found.length ? null : (
            <p className="text-soft">Nothing of that name.</p>
          )}
          {found.slice(0, MOST).map((letter) => (
            <button
              key={letter}
              type="button"
              aria-label={`Open ${letter}`}
              onClick={() => {
                open(letter);
              }}
              className="rounded-md border-2 border-crease bg-leaf hover:border-ink"
            >
              <SmallLetter letter={letter} className="h-12" />
            </button>
          ))}
        </div>
      ) : null}
    </form>
  );
}
