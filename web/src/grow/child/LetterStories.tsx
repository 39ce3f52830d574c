/** Each letter's story: the child's own ink, the oldest first, under how the letter stands. */
import { Link } from "react-router";

import type { ChildPageOut, LetterOfTheChild, RulingLine as Line } from "../../api/schema";
import { boxOf, viewBoxOf, viewOf } from "../../ink/geometry";
import { PenLine } from "../../ink/PenLine";
import { RuledLines } from "../../ink/RuledLines";
import { StateMark } from "../StateMark";
import { dayInWords, STATE_NAMES } from "../map";

const PEN = 0.12;

export function LetterStories({ page }: { page: ChildPageOut }) {
  const byName = new Map(page.letters.map((one) => [one.letter, one]));
  return (
    <section aria-label="Letters over time">
      <h2 className="text-lg font-bold">Letters, from the first to the latest</h2>
      <ul className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(12.5rem,1fr))] max-sm:grid-cols-2 gap-x-4 gap-y-1">
        {page.families.flatMap((family) =>
          family.letters.map((letter, at) => {
            const story = byName.get(letter);
            return story ? (
              <li key={letter} className="flex flex-col">
                {/* The family's name stands over its first letter; those that follow go on in the row. */}
                <p className="h-6 truncate text-sm text-soft">{at === 0 ? family.name : ""}</p>
                <Story story={story} lines={page.lines} pupil={page.pupil.id} />
              </li>
            ) : null;
          }),
        )}
      </ul>
    </section>
  );
}

function Story({
  story,
  lines,
  pupil,
}: {
  story: LetterOfTheChild;
  lines: readonly Line[];
  pupil: number;
}) {
  const { letter, state, pictures, written, in_words: inWords, words } = story;
  const first = pictures[0]?.day;
  const last = pictures.at(-1)?.day;
  return (
    <div className="flex-1 rounded-md border-2 border-crease bg-leaf px-2 py-1">
      <Link
        to={`/check/${encodeURIComponent(letter)}?pupil=${String(pupil)}`}
        className="flex items-center gap-2 hover:underline"
      >
        <span className="text-lg font-bold">{letter}</span>
        <StateMark state={state} />
        <span className="text-sm">
          {STATE_NAMES[state]}
          <span className="sr-only">, see what was written</span>
        </span>
      </Link>
      {pictures.length > 0 ? (
        <>
          <Row pictures={pictures} letter={letter} lines={lines} />
          <p className="flex justify-between text-xs text-soft">
            <span>{first ? short(first) : ""}</span>
            <span>{written} written</span>
            <span>{last && last !== first ? short(last) : ""}</span>
          </p>
        </>
      ) : (
        <p className="text-sm text-soft">only in words so far</p>
      )}
      {inWords === "less" ? (
        <p className="text-sm text-ember">holds less in words ({words}) than alone</p>
      ) : null}
    </div>
  );
}

/** u: of a letter and the gap after it, in a row of few pictures; and in all, so that all are alike. */
const SLOT = 2.1;
const SLOTS = 4;

/** All pictures in one row on the class's lines, as a child would write them. */
function Row({
  pictures,
  letter,
  lines,
}: {
  pictures: LetterOfTheChild["pictures"];
  letter: string;
  lines: readonly Line[];
}) {
  const view = viewOf(lines, { left: 0, right: SLOT * SLOTS, top: 1, bottom: 0 }, 0.1);
  const apart = (SLOT * SLOTS) / pictures.length;
  return (
    <svg
      viewBox={viewBoxOf(view)}
      className="h-16 w-full"
      role="img"
      aria-label={`${letter}: ${pictures.map(({ day }) => dayInWords(day)).join("; ")}`}
    >
      <RuledLines lines={lines} />
      {pictures.map((one, at) => {
        const strokes = one.strokes as [number, number][][];
        const box = boxOf(strokes);
        const x = apart * (at + 0.5) - (box.left + box.right) / 2;
        return (
          <g key={one.attempt_id} transform={`translate(${String(x)} 0)`}>
            {strokes.map((points, stroke) => (
              <PenLine key={stroke} points={points} width={PEN} />
            ))}
          </g>
        );
      })}
    </svg>
  );
}

/** A day, as short as can be read. */
function short(day: string): string {
  return new Intl.DateTimeFormat("en-GB", {
    day: "numeric",
    month: "short",
    timeZone: "UTC",
  }).format(Date.parse(day));
}
