/** One square of the map: how sure it is in each dimension, what it rests on, the way to its ink. */
import { Link } from "react-router";

import type { MapRow } from "../api/schema";
import { DIMENSIONS } from "../ui/VerdictMark";
import { StateMark } from "./StateMark";
import { STATE_NAMES } from "./map";

export function OneLetter({ row, at, letter }: { row: MapRow; at: number; letter: string }) {
  const written = row.written[at] ?? 0;
  return (
    <section
      className="mt-2 flex min-h-16 flex-wrap items-start gap-x-8 gap-y-1"
      aria-label={`${row.pupil.name}, ${letter}`}
    >
      <div>
        <h2 className="font-medium">
          {row.pupil.name}, <span className="text-lg">{letter}</span>
        </h2>
        <Link to={`/grow/child/${String(row.pupil.id)}`} className="underline underline-offset-4">
          All of {row.pupil.name}
        </Link>
      </div>
      {written === 0 ? (
        <p className="text-soft">Not written yet.</p>
      ) : (
        <dl className="flex flex-wrap gap-x-8">
          {DIMENSIONS.map(({ key, name }) => {
            const state = row.states[key][at] ?? "unknown";
            const chance = row.chances[key][at];
            return (
              <div key={key}>
                <dt className="flex items-center gap-1.5">
                  <StateMark state={state} />
                  {name} {STATE_NAMES[state]}
                </dt>
                <dd className="text-sm text-soft">
                  {chance
                    ? `will hold ${String(chance[0])} times in 100 (${String(chance[1])} to ${String(chance[2])})`
                    : "not seen yet"}
                </dd>
              </div>
            );
          })}
        </dl>
      )}
      {written > 0 ? (
        <p>
          <Link
            to={`/check/${encodeURIComponent(letter)}?pupil=${String(row.pupil.id)}`}
            className="underline underline-offset-4"
          >
            See what was written
          </Link>
          <span className="block text-sm text-soft">
            rests on {written}; foretold for writing alone from memory
          </span>
        </p>
      ) : null}
    </section>
  );
}
