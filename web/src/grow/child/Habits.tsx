/** What the child's letters share: movements and lines that do not hold yet, then those that do. */
import type { ChildPageOut, HabitOfTheChild } from "../../api/schema";
import { StateMark } from "../StateMark";
import { STATE_NAMES } from "../map";

const ORDER = { not_yet: 0, nearly: 1, unknown: 2, secure: 3 };

export function Habits({ habits }: { habits: ChildPageOut["habits"] }) {
  if (habits.length === 0) return null;
  const secure = habits.filter(({ state }) => state === "secure");
  const others = habits
    .filter(({ state }) => state !== "secure")
    .toSorted((one, other) => ORDER[one.state] - ORDER[other.state]);
  return (
    <section className="mt-6" aria-label="Movements and lines">
      <h2 className="text-lg font-bold">Movements and lines</h2>
      {others.length === 0 ? <p>All that were seen hold.</p> : null}
      <List habits={others} />
      {secure.length > 0 ? (
        <details className="mt-1">
          <summary className="min-h-9 w-fit cursor-pointer content-center text-soft">
            {secure.length === 1 ? "One holds" : `${String(secure.length)} hold`}
          </summary>
          <List habits={secure} />
        </details>
      ) : null}
    </section>
  );
}

function List({ habits }: { habits: readonly HabitOfTheChild[] }) {
  return (
    <ul className="columns-2 gap-x-8 max-sm:columns-1">
      {habits.map(({ name, where, state, letters, chance }) => (
        <li key={`${name} ${where}`} className="flex break-inside-avoid gap-2 py-0.5">
          <span className="mt-1.5">
            <StateMark state={state} />
            <span className="sr-only">{STATE_NAMES[state]}: </span>
          </span>
          <span className="min-w-0">
            {name}: {where}
            <span className="block text-sm text-soft">
              {letters.join(" ")} · will hold {chance.likely} times in 100 ({chance.low} to{" "}
              {chance.high})
            </span>
          </span>
        </li>
      ))}
    </ul>
  );
}
