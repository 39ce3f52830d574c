/**
 * The page of a task: the letters that stand on it, the one that is being written. A letter is
 * handed in when the child goes on to the next, says that it is done, or the lesson goes on.
 */
import { useEffect, useState } from "react";

import type { InkStroke, PadTaskOut, RulingLine as Line } from "../api/schema";
import { usePadStore } from "./StoreContext";
import { keyOf, type Written } from "./store";

export interface PageHook {
  letters: readonly Written[];
  /** What is being written, and in which cell. */
  strokes: InkStroke[];
  cell: number;
  /** A stroke was written. */
  add: (stroke: InkStroke) => void;
  /** Goes on in another cell; what was being written is handed in. */
  goTo: (cell: number) => void;
  /** What was written is done, or struck through. */
  done: (struck: boolean) => void;
  /** The last stroke goes, where games allow that. */
  rubOut: () => void;
}

interface Props {
  task: PadTaskOut;
  /** The rows of a sheet on which a long line stands. */
  line?: { lines: Line[]; rows: number };
  /** Something is in the pad's store and waits to be handed in. */
  onKept: () => void;
}

export function usePage({ task, line, onKept }: Props): PageHook {
  const store = usePadStore();
  const key = keyOf(task);
  const [chosen, setChosen] = useState<{ key: string; cell: number } | null>(null);
  const letters = store.lettersOf(key);
  const draft = store.draftOf(key);
  const free = chosen?.key === key ? chosen.cell : nextCell(letters, task.written);
  const cell = draft?.cell ?? free;
  const strokes = draft?.strokes ?? NONE;

  useEffect(
    () => () => {
      // The lesson goes on: what was being written is done.
      if (!store.draftOf(key)) return;
      store.finish(key, false);
      onKept();
    },
    // The page is left when its task is another, whatever else has changed.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [key],
  );

  const draw = (drawn: InkStroke[], where: number) => {
    const { seat, pupil, target, kind, help } = task;
    store.draw(key, where, drawn, {
      seat,
      who: pupil?.name ?? null,
      target: target ?? "",
      kind: kind ?? "letter",
      help: help ?? "copy",
      line: line ?? null,
    });
  };
  const finish = (struck: boolean) => {
    if (strokes.length === 0) return;
    store.finish(key, struck);
    onKept();
  };
  return {
    letters,
    strokes,
    cell,
    // The store is asked anew: a stroke may follow another before the page is drawn again.
    add: (stroke) => {
      const before = store.draftOf(key);
      draw([...(before?.strokes ?? []), stroke], before?.cell ?? cell);
    },
    goTo: (next) => {
      finish(false);
      setChosen({ key, cell: next });
    },
    done: (struck) => {
      finish(struck);
      setChosen(null);
    },
    rubOut: () => {
      draw(strokes.slice(0, -1), cell);
    },
  };
}

const NONE: InkStroke[] = [];

/** After the last that stands here; or, on a pad that has none of them, that the server counts. */
function nextCell(letters: readonly Written[], written: number): number {
  return Math.max(written, ...letters.map(({ cell }) => cell + 1));
}
