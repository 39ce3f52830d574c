/** Everything that is set once: here, or where it belongs, with the way there. */
import type { ReactNode } from "react";
import { Link } from "react-router";

import { useClassroom, useStyle } from "../api/queries";
import { useHerClasses, useSchool } from "../api/schoolQueries";
import { ClassStage } from "../ui/Stages";
import { Loading, ProblemNote } from "../ui/states";
import { AccountPart } from "./AccountPart";
import { ClassPart } from "./ClassPart";
import { DaysPart } from "./DaysPart";
import { PadsPart } from "./PadsPart";
import { PeoplePart } from "./PeoplePart";
import { PrivacyPart } from "./PrivacyPart";

const RULINGS: Record<string, string> = {
  base: "one line",
  two: "two lines",
  three: "three lines",
  four: "four lines",
  squares: "squares",
};

export function SettingsDesk() {
  const classroom = useClassroom();
  const school = useSchool();
  const style = useStyle();
  const classes = useHerClasses();
  const failed = [classroom, school, style, classes].find(({ isError }) => isError);
  if (failed) return <ProblemNote error={failed.error} retry={() => void failed.refetch()} />;
  if (!classroom.data || !school.data || !style.data || !classes.data) {
    return <Loading what="the settings" />;
  }
  const current = style.data;
  const hers = classes.data.classes;
  const teaches = hers.find(({ is_open }) => is_open)?.role !== "helper";
  return (
    <section aria-label="Settings" className="mx-auto w-full max-w-4xl px-5 py-4">
      <h1 className="mb-2 text-xl font-bold">Settings</h1>
      <Part title="Class">
        <ClassPart classroom={classroom.data} teaches={teaches} />
      </Part>
      <Part title="Hand and lines">
        <p>
          {classroom.data.name} writes the hand “{current.hand}” on {RULINGS[current.ruling]}, with
          small letters {current.x_height_mm} mm high. <To place="/plan/hand">Change it</To>
        </p>
      </Part>
      <Part title="Limits">
        <ClassStage />
        <p className="text-soft">
          A child who is further, or not so far, has limits of their own: in{" "}
          <To place="/grow">Grow</To>, beside the child’s letters.
        </p>
      </Part>
      <Part title="Language and lessons">
        <p>
          How dates are written and how long a lesson is stand with{" "}
          <To place="/plan/today">today’s lesson</To>; how many letters children write alone,
          whether they may rub out, the largest family and what pads do stand in{" "}
          <To place="/plan/ways">Our ways</To>.
        </p>
      </Part>
      <Part title="Pads">
        <PadsPart />
      </Part>
      <Part title="Days">
        <DaysPart school={school.data} />
      </Part>
      <Part title="People">
        <PeoplePart school={school.data} teaches={teaches} />
      </Part>
      <Part title="Your account">
        <AccountPart />
      </Part>
      <Part title="What is kept">
        <PrivacyPart kept={school.data.kept} />
      </Part>
    </section>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section
      aria-label={title}
      className="grid gap-x-8 gap-y-2 border-t border-rule py-4 md:grid-cols-[10rem_minmax(0,1fr)]"
    >
      <h2 className="font-bold">{title}</h2>
      <div className="flex flex-col gap-3">{children}</div>
    </section>
  );
}

function To({ place, children }: { place: string; children: ReactNode }) {
  return (
    <Link
      to={place}
      className="underline decoration-rule-deep underline-offset-4 hover:text-rule-deep"
    >
      {children}
    </Link>
  );
}
