/** What the child's letters share: movements and lines that do not hold yet, then those that do. */
import type { ReactNode } from "react";
import { Link } from "react-router";

import type { ChildPageOut, HabitOfTheChild, LetterState, MapChance } from "../../api/schema";
import { StateMark } from "../StateMark";
import { STATE_NAMES, dayInWords } from "../map";

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

/** What holds or does not over whole texts; the newest texts in which it did not are opened from
    here. */
export function TextHabits({ page }: { page: ChildPageOut }) {
  const { text_habits: habits, pupil } = page;
  if (habits.length === 0) return null;
  return (
    <section className="mt-6" aria-label="In words and sentences">
      <h2 className="text-lg font-bold">In words and sentences</h2>
      <ul className="columns-2 gap-x-8 max-sm:columns-1">
        {habits.map(({ name, state, chance, rests_on, failed }) => (
          <Habit key={name} name={name} state={state}>
            {rests_on === 1 ? "one text" : `${String(rests_on)} texts`}
            <WillHold chance={chance} />
            {failed.length > 0 ? (
              <span className="block">
                Not in{" "}
                {failed.map(({ text_id, target, day }, at) => (
                  <span key={text_id}>
                    {at > 0 ? ", " : ""}
                    <Link
                      to={`/check?pupil=${String(pupil.id)}&begin=${day}&end=${day}`}
                      className="underline underline-offset-4"
                      title={dayInWords(day)}
                    >
                      {target}
                    </Link>
                  </span>
                ))}
              </span>
            ) : null}
          </Habit>
        ))}
      </ul>
    </section>
  );
}

function List({ habits }: { habits: readonly HabitOfTheChild[] }) {
  return (
    <ul className="columns-2 gap-x-8 max-sm:columns-1">
      {habits.map(({ name, where, state, letters, chance }) => (
        <Habit key={`${name} ${where}`} name={`${name}: ${where}`} state={state}>
          {letters.join(" ")}
          <WillHold chance={chance} />
        </Habit>
      ))}
    </ul>
  );
}

function Habit(props: { name: string; state: LetterState; children: ReactNode }) {
  const { name, state, children } = props;
  return (
    <li className="flex break-inside-avoid gap-2 py-0.5">
      <span className="mt-1.5">
        <StateMark state={state} />
        <span className="sr-only">{STATE_NAMES[state]}: </span>
      </span>
      <span className="min-w-0">
        {name}
        <span className="block text-sm text-soft">{children}</span>
      </span>
    </li>
  );
}

function WillHold({ chance: { likely, low, high } }: { chance: MapChance }) {
  return ` · will hold ${String(likely)} times in 100 (${String(low)} to ${String(high)})`;
}
