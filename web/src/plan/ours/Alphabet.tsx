/** A hand letter by letter, and how far it is: lent by its base, written, standing, mended. */
import { Link } from "react-router";

import type { LetterStanding, RulingLine as Line } from "../../api/schema";
import { SmallPicture } from "../../ui/SmallPicture";

const KINDS: readonly { name: string; has: (letter: string) => boolean }[] = [
  { name: "Small letters", has: (x) => /[a-z]/.test(x) },
  { name: "Capitals", has: (x) => /[A-Z]/.test(x) },
  { name: "Digits and marks", has: (x) => !/[a-zA-Z]/.test(x) },
];

export function Alphabet({
  hand,
  letters,
  lines,
  chosen,
}: {
  hand: string;
  letters: readonly LetterStanding[];
  lines: readonly Line[];
  chosen: string;
}) {
  return (
    <nav aria-label="Letters of the hand" className="flex flex-col gap-2">
      {KINDS.map(({ name, has }) => (
        <section key={name} aria-label={name}>
          <h2 className="text-sm text-soft">{name}</h2>
          <ul className="flex flex-wrap gap-1">
            {letters
              .filter(({ letter }) => has(letter))
              .map((one) => (
                <li key={one.letter}>
                  <Link
                    to={`/plan/hand/ours/${encodeURIComponent(hand)}/${encodeURIComponent(one.letter)}`}
                    aria-label={`${one.letter}, ${standing(one)}`}
                    aria-current={one.letter === chosen ? "page" : undefined}
                    className={`relative block rounded-md border-2 px-0.5 hover:border-ink aria-[current=page]:border-ink aria-[current=page]:bg-rule-wash ${one.stands ? "border-rule-deep bg-leaf" : "border-dashed border-crease"}`}
                  >
                    <SmallPicture
                      picture={one.picture}
                      lines={lines}
                      className={`h-9 ${one.stands ? "" : "opacity-45"}`}
                    />
                    {one.samples > 0 && !one.stands ? (
                      <span
                        aria-hidden
                        className="absolute top-0.5 right-0.5 size-2 rounded-full bg-ember"
                      />
                    ) : null}
                  </Link>
                </li>
              ))}
          </ul>
        </section>
      ))}
    </nav>
  );
}

function standing({ stands, samples }: LetterStanding): string {
  if (stands === "mended") return "yours, mended";
  if (stands === "pen") return "yours";
  return samples > 0 ? "written, not accepted yet" : "lent";
}
