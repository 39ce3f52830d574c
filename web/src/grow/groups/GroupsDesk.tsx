/** Groups for tomorrow: who shares a weak movement or letter, and the lesson that each could have. */
import { useState } from "react";
import { Link } from "react-router";

import type { AloneOut, GroupOut } from "../../api/schema";
import { useGroups } from "../../api/growQueries";
import { usePlanLesson } from "../../api/lessonQueries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Hers } from "../../ui/Hers";
import { SmallLetter } from "../../ui/SmallLetter";
import { Empty, Failed, Loading } from "../../ui/states";
import { dayInWords } from "../map";
import { KeptApart } from "./KeptApart";

type Day = "today" | "next";
interface Days {
  today: string;
  chosen: Day;
}

export function GroupsDesk() {
  const groups = useGroups();
  const [chosen, choose] = useState<Day>("next");
  return (
    <section className="mx-auto flex w-full max-w-6xl flex-col gap-4 px-5 py-3">
      <header className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="text-2xl font-bold">Groups for tomorrow</h1>
        <Link to="/grow" className="underline underline-offset-4">
          Back to the map
        </Link>
      </header>
      <p className="text-soft">
        Two to six children who are weak in the same movement or letter, by all that was written so
        far. Each group could have ten minutes of its own, beside the others.
      </p>
      <Failed of={[groups]} />
      {groups.isPending ? <Loading what="the groups" /> : null}
      {groups.data ? (
        <>
          {groups.data.groups.length > 0 ? (
            <Choice
              small
              label="Planned for"
              value={chosen}
              options={[
                { value: "today", label: "for today" },
                { value: "next", label: `for ${dayInWords(groups.data.next_day)}` },
              ]}
              onChange={choose}
            />
          ) : null}
          {groups.data.groups.length === 0 ? (
            <Empty>No two children are weak in the same just now.</Empty>
          ) : (
            <ul className="grid gap-4 sm:grid-cols-2 lg:grid-cols-3" aria-label="Groups">
              {groups.data.groups.map((group) => (
                <Group
                  key={keyOf(group)}
                  group={group}
                  days={{ today: groups.data.today, chosen }}
                />
              ))}
            </ul>
          )}
          <LeftAlone alone={groups.data.alone} />
          <KeptApart pairs={groups.data.apart} />
        </>
      ) : null}
    </section>
  );
}

function keyOf({ name, dimension, members }: GroupOut): string {
  return [name, dimension, ...members.map(({ pupil }) => pupil.id)].join(" ");
}

const WHERE = { direction: "the way it goes", size: "its size", shape: "its shape" } as const;

function Group({ group, days }: { group: GroupOut; days: Days }) {
  const { name, dimension, letters, members } = group;
  return (
    <li className="flex flex-col gap-2 rounded-md border-2 border-crease bg-leaf px-4 py-3">
      <div>
        <h2 className="text-lg font-medium">{dimension ? name : `The letter ${name}`}</h2>
        {dimension ? <p className="text-soft">{WHERE[dimension]}</p> : null}
      </div>
      <p className="flex items-end gap-1">
        <span className="sr-only">{letters.join(" ")}</span>
        {letters.slice(0, 6).map((letter) => (
          <SmallLetter key={letter} letter={letter} className="h-9" />
        ))}
      </p>
      <ul className="grow">
        {members.map(({ pupil, letters: weak, dimensions }) => (
          <li key={pupil.id}>
            <span className="font-medium">{pupil.name}</span>{" "}
            <span className="text-soft">
              {dimension ? weak.join(" ") : dimensions.map((one) => WHERE[one]).join(", ")}
            </span>
          </li>
        ))}
      </ul>
      <Hers>
        <PlanIt group={group} days={days} />
      </Hers>
    </li>
  );
}

/** Its lesson: proposed for a day, and once it is planned, where it is. */
function PlanIt({ group: { lesson, planned }, days }: { group: GroupOut; days: Days }) {
  const plan = usePlanLesson();
  const isNext = days.chosen === "next";
  if (planned) {
    const isToday = planned.day === days.today;
    return (
      <p>
        Planned for {isToday ? "today" : dayInWords(planned.day)}.{" "}
        <Link
          to={
            isToday
              ? `/plan/today?lesson=${String(planned.lesson)}`
              : `/show/lesson/${String(planned.lesson)}`
          }
          className="underline underline-offset-4"
        >
          {isToday ? "To its lesson" : "Look at it"}
        </Link>
      </p>
    );
  }
  return (
    <div>
      <Button
        small
        disabled={plan.isPending}
        onClick={() => {
          plan.mutate({ body: { ...lesson, next_day: isNext } });
        }}
      >
        Plan ten minutes on it
      </Button>
      <Failed of={[plan]} />
    </div>
  );
}

const WHY: Record<AloneOut["why"], string> = {
  nobody_shares: "nobody else is weak in the same",
  kept_apart: "only children it is kept apart from are weak in the same",
  better_so: "the others who share it are needed in other groups",
};

function LeftAlone({ alone }: { alone: readonly AloneOut[] }) {
  if (alone.length === 0) return null;
  return (
    <section aria-label="In no group">
      <h2 className="font-medium">In no group</h2>
      <ul>
        {alone.map(({ pupil, why }) => (
          <li key={pupil.id}>
            <span className="font-medium">{pupil.name}</span>: {WHY[why]}.
          </li>
        ))}
      </ul>
    </section>
  );
}
