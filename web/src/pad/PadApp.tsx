/** The pad: one page that follows the lesson. A child needs no reading. */
import { type ReactNode, useState } from "react";
import { CloudOff, Eye } from "lucide-react";

import type { PadTaskOut } from "../api/schema";
import { Tile } from "../ui/Tile";
import { AirPage } from "./AirPage";
import { CellsPage } from "./CellsPage";
import { ChoosePage } from "./ChoosePage";
import { CodePage } from "./CodePage";
import { ForAdults } from "./ForAdults";
import { freely } from "./freely";
import { LinePage } from "./LinePage";
import { Bye, Waits, Watch } from "./pictures";
import { TilesPage } from "./TilesPage";
import { type PadLesson, type Surroundings, usePadLesson } from "./usePadLesson";

export function PadApp({ surroundings }: { surroundings: Surroundings }) {
  const pad = usePadLesson(surroundings);
  return (
    <main
      className="relative flex h-dvh flex-col overflow-hidden bg-paper select-none"
      aria-label="Pad"
    >
      <h1 className="sr-only">First Loop, a pad</h1>
      <ForAdults />
      <Here pad={pad} />
    </main>
  );
}

function Here({ pad }: { pad: PadLesson }) {
  switch (pad.where) {
    case "opening":
      return (
        <p role="status" className="sr-only">
          Opening
        </p>
      );
    case "code":
      return <CodePage problem={pad.problem} alone={pad.alone} onJoin={pad.join} />;
    case "asking":
      return (
        <Middle>
          <Waits />
          <p role="status" className="text-2xl">
            Your teacher lets you in.
          </p>
        </Middle>
      );
    case "tiles":
      return <TilesPage pad={pad} />;
    case "over":
      return (
        <Middle>
          <Bye />
          <p role="status" className="text-2xl">
            The lesson is over.
          </p>
          <button
            type="button"
            onClick={pad.again}
            className="min-h-14 rounded-md border-2 border-crease bg-leaf px-6 text-xl"
          >
            To the next lesson
          </button>
        </Middle>
      );
    case "in":
      return <InLesson pad={pad} />;
  }
}

function InLesson({ pad }: { pad: PadLesson }) {
  const { task, look } = pad;
  if (!task) return null;
  return (
    <>
      <Head pad={pad} />
      <div className="relative flex min-h-0 flex-1 flex-col">
        <Doing pad={pad} />
        {look ? (
          <button
            type="button"
            onClick={pad.looked}
            className="absolute inset-0 flex flex-col items-center justify-center gap-4 bg-paper"
          >
            <Watch />
            <span role="status" className="text-2xl font-bold">
              Look at the board
            </span>
          </button>
        ) : null}
      </div>
    </>
  );
}

function Doing({ pad }: { pad: PadLesson }) {
  const { task } = pad;
  if (!task) return null;
  switch (task.doing) {
    case "write":
      return <Writing key={`${String(task.seat)} ${String(task.step)}`} task={task} pad={pad} />;
    case "air":
      return <AirPage task={task} replays={pad.replays} />;
    case "choose":
      return <ChoosePage task={task} onChoose={pad.choose} />;
    case "watch":
      return (
        <Middle>
          <Watch />
          <p className="sr-only">Look at the board</p>
        </Middle>
      );
  }
}

/** What is asked for; and once it is written, for who wants to, lines to write on freely. */
function Writing({ task, pad }: { task: PadTaskOut; pad: PadLesson }) {
  const [more, setMore] = useState(false);
  const asked = more && task.further ? freely(task) : task;
  const further =
    task.further && !more
      ? () => {
          setMore(true);
        }
      : null;
  return asked.cells ? (
    <CellsPage task={asked} pad={pad} further={further} />
  ) : (
    <LinePage key={asked.kind} task={asked} pad={pad} further={further} />
  );
}

/** Whose pad it is, and that it is alone. A press on the tile passes the tablet on. */
function Head({ pad }: { pad: PadLesson }) {
  const { task, alone } = pad;
  return (
    <header className="flex h-14 shrink-0 items-center gap-3 px-3 pr-32">
      {task?.pupil ? (
        <button
          type="button"
          onClick={pad.passOn}
          aria-label={`${task.pupil.name}: pass the pad on`}
          className="flex items-center gap-2 rounded-md border-2 border-crease bg-leaf px-1.5 py-0.5 text-xl"
        >
          {task.pupil.tile ? <Tile name={task.pupil.tile} className="size-10" /> : null}
          {task.pupil.name}
        </button>
      ) : null}
      <span className="flex-1" />
      {alone ? (
        <span role="status" className="flex items-center gap-2 text-soft">
          <CloudOff aria-hidden size={24} />
          <span className="sr-only">
            Alone: what you write is kept here until the network is back
          </span>
        </span>
      ) : null}
      {pad.problem ? (
        <p role="alert" className="text-soft">
          {pad.problem}
        </p>
      ) : null}
      {pad.look ? <Eye aria-hidden size={24} className="text-soft" /> : null}
    </header>
  );
}

function Middle({ children }: { children: ReactNode }) {
  return (
    <div className="flex min-h-0 flex-1 flex-col items-center justify-center gap-6 p-6 text-center">
      {children}
    </div>
  );
}
