/**
 * The page of a task: the letters that stand on it, the one that is being written. A letter is
 * handed in when the child goes on to the next, says that it is done, or the lesson goes on.
 */
import { useCallback, useEffect, useRef, useState } from "react";
import { v4 as uuid } from "uuid";

import type { InkStroke, PadTaskOut } from "../api/schema";
import { inkOf } from "../ink/usePad";
import { keep, keepDraft, keyOf, pageOf, type Written } from "./store";

export interface Page {
  letters: readonly Written[];
  /** What is being written, and in which cell. */
  strokes: InkStroke[];
  cell: number;
  /** When that was begun, ms. */
  began: number;
}

export interface PageHook extends Page {
  ready: boolean;
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
  /** Puts the strokes of a long line together, where it stands in rows. */
  together?: (strokes: InkStroke[]) => InkStroke[];
  /** Something is in the pad's store and waits to be handed in. */
  onKept: () => void;
}

export function usePage({ task, together, onKept }: Props): PageHook {
  const key = keyOf(task);
  const [page, setPage] = useState<(Page & { key: string }) | null>(null);
  const latest = useRef({ page, task, together, onKept });
  useEffect(() => {
    latest.current = { page, task, together, onKept };
  });

  useEffect(() => {
    let left = false;
    void pageOf(key).then(({ letters, draft }) => {
      if (left) return;
      const cell = draft?.cell ?? nextCell(letters, latest.current.task.written);
      setPage({ key, letters, strokes: draft?.strokes ?? [], cell, began: draft?.began ?? 0 });
    });
    return () => {
      left = true;
      // The lesson goes on: what was being written is done.
      const { page: open, onKept: tell, ...how } = latest.current;
      if (open?.key === key && open.strokes.length > 0) {
        void keep(writtenOf(open, how.task, how.together, false)).then(tell);
      }
    };
  }, [key]);

  const change = useCallback((next: (open: Page) => Page) => {
    setPage((open) => (open ? { ...open, ...next(open) } : open));
  }, []);
  const handIn = (open: Page, struck: boolean): readonly Written[] => {
    if (open.strokes.length === 0) return open.letters;
    const written = writtenOf(open, task, together, struck);
    void keep(written).then(onKept);
    return [...open.letters, written];
  };
  const here = page?.key === key ? page : null;
  return {
    ready: here !== null,
    letters: here?.letters ?? [],
    strokes: here?.strokes ?? [],
    cell: here?.cell ?? 0,
    began: here?.began ?? 0,
    add: (stroke) => {
      change((open) => {
        const strokes = [...open.strokes, stroke];
        const began = open.strokes.length === 0 ? Date.now() : open.began;
        void keepDraft({ task: key, cell: open.cell, strokes, began });
        return { ...open, strokes, began };
      });
    },
    goTo: (cell) => {
      if (here) setPage({ key, letters: handIn(here, false), strokes: [], cell, began: 0 });
    },
    done: (struck) => {
      if (!here || here.strokes.length === 0) return;
      const letters = handIn(here, struck);
      setPage({ key, letters, strokes: [], cell: nextCell(letters, 0), began: 0 });
    },
    rubOut: () => {
      change((open) => {
        const strokes = open.strokes.slice(0, -1);
        void keepDraft({ task: key, cell: open.cell, strokes, began: open.began });
        return { ...open, strokes };
      });
    },
  };
}

/** After the last that stands here; or, on a pad that has none of them, that the server counts. */
function nextCell(letters: readonly Written[], written: number): number {
  return Math.max(written, ...letters.map(({ cell }) => cell + 1));
}

function writtenOf(
  { strokes, cell, began }: Page,
  task: PadTaskOut,
  together: Props["together"],
  struck: boolean,
): Written {
  const id = uuid();
  return {
    id,
    task: keyOf(task),
    cell,
    state: "waits",
    at: Date.now(),
    body: {
      id,
      target: task.target ?? "",
      kind: task.kind ?? "letter",
      help: task.help ?? "copy",
      // When it was begun: a lesson that ends meanwhile still takes it.
      written_at: new Date(began).toISOString(),
      struck,
      seat: task.seat,
      strokes: inkOf(together ? together(strokes) : strokes),
    },
  };
}
