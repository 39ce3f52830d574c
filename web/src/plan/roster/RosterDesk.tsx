/** The class list: what each child is called and writes with; more taken in; one deleted. */
import { useState } from "react";

import { useClassroom } from "../../api/queries";
import { useChangePupil, useTakeIn } from "../../api/rosterQueries";
import type { PupilOut as Pupil } from "../../api/schema";
import { Button } from "../../ui/Button";
import { ChildList, useChildren } from "../../ui/ChildList";
import { Choice } from "../../ui/Choice";
import { EditableText } from "../../ui/EditableText";
import { Loading, ProblemNote } from "../../ui/states";
import { ForgetChild } from "./ForgetChild";

const HANDS = [
  { value: "left", label: "left" },
  { value: "right", label: "right" },
] as const;

export function RosterDesk() {
  const classroom = useClassroom();
  if (classroom.isError) return <ProblemNote error={classroom.error} />;
  if (!classroom.data) return <Loading what="the class list" />;
  const { name, pupils } = classroom.data;
  return (
    <section aria-label="Class list" className="flex flex-col gap-5 px-5 py-3">
      <header>
        <h1 className="text-xl font-bold">{name}</h1>
        <p className="text-soft">
          What a child is called here is for this class alone: a first name is enough. Change a name
          where it stands; letters stay with the child.
        </p>
      </header>
      <Children pupils={pupils} />
      <TakeIn />
      {pupils.length ? <ForgetChild pupils={pupils} /> : null}
    </section>
  );
}

function Children({ pupils }: { pupils: readonly Pupil[] }) {
  const change = useChangePupil();
  if (!pupils.length) return <p className="text-lg text-soft">There are no children yet.</p>;
  return (
    <>
      {change.isError ? <ProblemNote error={change.error} /> : null}
      <ul className="grid max-w-6xl gap-x-10 sm:grid-cols-2 xl:grid-cols-3" aria-label="Children">
        {pupils.map(({ id, name, handedness }) => (
          <li key={id} className="flex items-center gap-3 border-b border-rule/60 py-1">
            <div className="min-w-0 flex-1">
              <EditableText
                label={`Name of ${name}`}
                value={name}
                onChange={(changed) => {
                  change.mutate({
                    params: { path: { pupil_id: id } },
                    body: { name: changed, handedness },
                  });
                }}
                className="text-lg"
              />
            </div>
            <Choice
              small
              label={`${name} writes with the`}
              value={handedness}
              options={HANDS}
              onChange={(chosen) => {
                change.mutate({
                  params: { path: { pupil_id: id } },
                  body: { name, handedness: chosen },
                });
              }}
            />
          </li>
        ))}
      </ul>
    </>
  );
}

function TakeIn() {
  const [text, setText] = useState("");
  const read = useChildren(text);
  const takeIn = useTakeIn();
  return (
    <section aria-label="Take more children in" className="border-t border-rule pt-3">
      <h2 className="mb-2 font-bold">Take more children in</h2>
      <ChildList text={text} onChange={setText} read={read} />
      <Button
        className="mt-3"
        disabled={!read.children.length || takeIn.isPending}
        onClick={() => {
          takeIn.mutate(
            { body: { children: read.children } },
            {
              onSuccess: () => {
                setText("");
              },
            },
          );
        }}
      >
        Take them in
      </Button>
      {takeIn.isError ? <ProblemNote error={takeIn.error} /> : null}
    </section>
  );
}
