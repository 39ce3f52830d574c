/** Write: the class while it writes. Who has written what just now, who has not begun, who is stuck. */
import { useState } from "react";
import { Link } from "react-router";

import { useLive, useOpenLesson, usePads, useRoom } from "../../api/roomQueries";
import type { RoomOut } from "../../api/schema";
import { useClassroom } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Hers } from "../../ui/Hers";
import { Loading, ProblemNote } from "../../ui/states";
import { type CardSize, ChildCard } from "./ChildCard";
import { ChildPanel } from "./ChildPanel";
import { chosen, type Filter, FILTERS } from "./filter";
import { LessonPanel } from "./LessonPanel";
import { PadsPanel } from "./PadsPanel";
import { SetAsidePanel } from "./SetAsidePanel";

export function RoomDesk() {
  const room = useRoom();
  useLive();
  if (room.isError) return <ProblemNote error={room.error} retry={() => void room.refetch()} />;
  if (!room.data) return <Loading what="the class" />;
  return <Room room={room.data} />;
}

function Room({ room }: { room: RoomOut }) {
  const [filter, setFilter] = useState<Filter>("all");
  const [lesson, setLesson] = useState<number | null>(null);
  const [picked, setPicked] = useState<number | null>(null);
  const lines = useClassroom().data?.lines ?? [];
  const pads = usePads().data ?? [];
  const open = room.lessons.find((one) => one.lesson === lesson) ?? room.lessons.at(-1);
  const shown = chosen(room, filter, open?.lesson ?? null);
  const size = sizeFor(shown.length);
  const child = room.children.find(({ who }) => who.id === picked);
  return (
    <section
      aria-label="The class while it writes"
      className="flex min-h-0 flex-1 gap-5 px-5 py-3 max-lg:flex-col"
    >
      <div className="flex min-w-0 flex-1 flex-col gap-3">
        <header className="flex flex-wrap items-center gap-x-4 gap-y-2">
          <h1 className="text-xl font-bold">Write</h1>
          {room.lessons.length > 0 ? (
            <Choice
              small
              label="Which children"
              value={FILTERS.some(({ value }) => value === filter) ? filter : undefined}
              options={FILTERS.map(({ value, label }) => ({
                value,
                label: `${label} ${String(chosen(room, value, open?.lesson ?? null).length)}`,
              }))}
              onChange={setFilter}
            />
          ) : null}
          {room.mend.length > 0 ? (
            <label className="flex items-center gap-2 text-sm">
              To watch
              <select
                value={filter.startsWith("mend ") ? filter : ""}
                onChange={(event) => {
                  setFilter((event.target.value || "all") as Filter);
                }}
                className="min-h-9 w-52 rounded-md border-2 border-crease bg-leaf px-2"
              >
                <option value="">anything</option>
                {room.mend.map(({ code, what, children }) => (
                  <option key={code} value={`mend ${code}`}>
                    {what} ({children.length})
                  </option>
                ))}
              </select>
            </label>
          ) : null}
          <span className="flex-1" />
          <nav aria-label="Other ways to write" className="flex gap-4 text-sm">
            <Link to="/write/tally" className="underline underline-offset-4">
              Tally by eye
            </Link>
            <Link to="/write/letter" className="underline underline-offset-4">
              One pad, here
            </Link>
            <Link to="/hand" className="underline underline-offset-4">
              In your hand
            </Link>
          </nav>
        </header>
        <ul className={`grid gap-2 ${GRIDS[size]}`}>
          {shown.map((one) => (
            <ChildCard
              size={size}
              key={one.who.id}
              child={one}
              lines={lines}
              picked={one.who.id === picked}
              onPick={() => {
                setPicked(one.who.id === picked ? null : one.who.id);
              }}
            />
          ))}
        </ul>
        {shown.length === 0 ? <p className="p-4 text-soft">No child just now.</p> : null}
      </div>
      <aside className="flex w-72 shrink-0 flex-col gap-4 max-lg:w-full">
        {child ? (
          <ChildPanel
            key={child.who.id}
            child={child}
            lines={lines}
            onClose={() => {
              setPicked(null);
            }}
          />
        ) : null}
        {open ? (
          <LessonPanel open={open} all={room.lessons} onChoose={setLesson} />
        ) : (
          <Hers>
            <NoLesson />
          </Hers>
        )}
        <Hers told={false}>
          <PadsPanel pads={pads} open={open} />
          {room.set_aside.length > 0 ? <SetAsidePanel setAside={room.set_aside} /> : null}
        </Hers>
      </aside>
    </section>
  );
}

const GRIDS: Record<CardSize, string> = {
  small: "grid-cols-[repeat(auto-fill,minmax(8.75rem,1fr))]",
  medium: "grid-cols-[repeat(auto-fill,minmax(11.5rem,1fr))]",
  large: "grid-cols-[repeat(auto-fill,minmax(14rem,1fr))]",
};

/** The fewer children, the larger each: the page is filled, and ink is seen from a step away. */
function sizeFor(children: number): CardSize {
  if (children > 20) return "small";
  return children > 12 ? "medium" : "large";
}

function NoLesson() {
  const open = useOpenLesson();
  return (
    <div className="flex flex-col items-start gap-3 border-l-4 border-rule pl-4">
      <p>
        Open today&rsquo;s lesson, and the pads can come in. Where none is planned, it is a short
        one on what comes next.
      </p>
      <Button
        look="main"
        disabled={open.isPending}
        onClick={() => {
          open.mutate({ body: {} });
        }}
      >
        Open the lesson to pads
      </Button>
      {open.isError ? <ProblemNote error={open.error} /> : null}
    </div>
  );
}
