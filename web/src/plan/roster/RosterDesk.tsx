/** The class list: each child's picture, name and hand; apart, gone, back; more taken in. */
import { useState } from "react";
import { Link } from "react-router";

import { useClassroom } from "../../api/queries";
import { useGiveTiles, useRoster, useTakeIn } from "../../api/rosterQueries";
import type { PupilOut as Pupil } from "../../api/schema";
import { Button } from "../../ui/Button";
import { ChildList, useChildren } from "../../ui/ChildList";
import { Loading, ProblemNote } from "../../ui/states";
import { ChildRow } from "./ChildRow";
import { ForgetChild } from "./ForgetChild";
import { LastDone, useLastDone } from "./done";
import { usePresence } from "./usePresence";

export function RosterDesk() {
  const classroom = useClassroom();
  const roster = useRoster();
  const failed = [classroom, roster].find(({ isError }) => isError);
  if (failed) return <ProblemNote error={failed.error} retry={() => void failed.refetch()} />;
  if (!classroom.data || !roster.data) return <Loading what="the class list" />;
  return (
    <section aria-label="Class list" className="flex flex-col gap-5 px-5 py-3">
      <header>
        <h1 className="text-xl font-bold">{classroom.data.name}</h1>
        <p className="text-soft">
          What a child is called here is for this class alone: a first name is enough. Change a name
          where it stands; letters stay with the child. A new school year begins in{" "}
          <Link to="/settings" className="underline underline-offset-4">
            Settings
          </Link>
          .
        </p>
      </header>
      <Children pupils={roster.data.pupils} />
      <TakeIn />
      {roster.data.pupils.length ? <ForgetChild pupils={roster.data.pupils} /> : null}
    </section>
  );
}

function Children({ pupils }: { pupils: readonly Pupil[] }) {
  const { last, done } = useLastDone();
  const presence = usePresence(done);
  const giveTiles = useGiveTiles();
  const there = pupils.filter((one) => one.presence !== "left");
  const left = pupils.filter((one) => one.presence === "left");
  return (
    <>
      <LastDone last={last} />
      {presence.error ? <ProblemNote error={presence.error} /> : null}
      {there.length ? (
        <ul className="grid max-w-6xl gap-x-10 sm:grid-cols-2 xl:grid-cols-3" aria-label="Children">
          {there.map((pupil) => (
            <ChildRow
              key={pupil.id}
              pupil={pupil}
              taken={there}
              setPresence={presence.set}
              done={done}
            />
          ))}
        </ul>
      ) : (
        <p className="text-lg text-soft">There are no children yet.</p>
      )}
      {there.some(({ tile }) => tile === null) ? (
        <p className="flex flex-wrap items-center gap-3 text-soft">
          <Button
            disabled={giveTiles.isPending}
            onClick={() => {
              giveTiles.mutate({});
            }}
          >
            Give each child a picture
          </Button>
          By it children find themselves before they read their names.
        </p>
      ) : null}
      {left.length ? (
        <section aria-label="Have left">
          <h2 className="font-bold">Have left</h2>
          <p className="text-soft">
            Their letters are kept until you delete the child, or let them come back.
          </p>
          <ul className="mt-1 flex flex-wrap gap-x-8 gap-y-1">
            {left.map(({ id, name, since }) => (
              <li key={id} className="flex items-center gap-2">
                {name}
                <span className="text-sm text-soft">since {since}</span>
                <Button
                  look="quiet"
                  onClick={() => {
                    presence.set({ id, name, presence: "left" }, "here");
                  }}
                >
                  Has come back
                </Button>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
    </>
  );
}

function TakeIn() {
  const [text, setText] = useState("");
  const read = useChildren(text);
  const takeIn = useTakeIn();
  const send = (alike: boolean) => {
    takeIn.mutate(
      { params: { query: { alike } }, body: { children: read.children } },
      {
        onSuccess: () => {
          setText("");
        },
      },
    );
  };
  return (
    <section aria-label="Take more children in" className="border-t border-rule pt-3">
      <h2 className="mb-2 font-bold">Take more children in</h2>
      <ChildList text={text} onChange={setText} read={read} />
      <Button
        className="mt-3"
        disabled={!read.children.length || takeIn.isPending}
        onClick={() => {
          send(false);
        }}
      >
        Take them in
      </Button>
      {takeIn.isError ? (
        <ProblemNote
          error={takeIn.error}
          both={() => {
            send(true);
          }}
        />
      ) : null}
    </section>
  );
}
