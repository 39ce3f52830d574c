/**
 * What the pad keeps of its own (IndexedDB): each letter until the server has said that it has it,
 * the letter that is being written, and the task it was given, so that it opens without the network.
 * What has arrived is forgotten when the lesson is left.
 */
import { type DBSchema, type IDBPDatabase, openDB } from "idb";

import type { InkStroke, PadAttemptIn, PadTaskOut } from "../api/schema";

/** Something written: what is handed in, where it stands on the page, whether it has arrived. */
export interface Written {
  id: string;
  body: PadAttemptIn;
  /** The task and sitting that it belongs to. */
  task: string;
  cell: number;
  state: "waits" | "stored" | "refused";
  at: number;
}

/** What is being written. */
export interface Draft {
  task: string;
  cell: number;
  strokes: InkStroke[];
  /** When it was begun, by this pad's clock. */
  began: number;
}

interface Kept extends DBSchema {
  written: { key: string; value: Written; indexes: { task: string } };
  drafts: { key: string; value: Draft };
  task: { key: string; value: PadTaskOut };
}

let opened: Promise<IDBPDatabase<Kept>> | undefined;

function kept(): Promise<IDBPDatabase<Kept>> {
  opened ??= openDB<Kept>("first-loop-pad", 1, {
    upgrade(db) {
      db.createObjectStore("written", { keyPath: "id" }).createIndex("task", "task");
      db.createObjectStore("drafts", { keyPath: "task" });
      db.createObjectStore("task");
    },
  });
  return opened;
}

/** The task and the sitting: letters of the same are on one page. */
export function keyOf({ seat, step, kind, target, help }: PadTaskOut): string {
  return [seat, step, kind, target, help].join("/");
}

/** Keeps something written, and what was being written there is no longer. */
export async function keep(written: Written): Promise<void> {
  const db = await kept();
  const both = db.transaction(["written", "drafts"], "readwrite");
  await Promise.all([
    both.objectStore("written").put(written),
    both.objectStore("drafts").delete(written.task),
    both.done,
  ]);
}

export async function mark(id: string, state: Written["state"]): Promise<void> {
  const db = await kept();
  const one = await db.get("written", id);
  if (one) await db.put("written", { ...one, state });
}

/** What the server has not said that it has, the oldest first. */
export async function waiting(): Promise<Written[]> {
  const all = await (await kept()).getAll("written");
  return all.filter(({ state }) => state === "waits").sort((a, b) => a.at - b.at);
}

export async function pageOf(task: string): Promise<{ letters: Written[]; draft: Draft | null }> {
  const db = await kept();
  const letters = await db.getAllFromIndex("written", "task", task);
  const draft = await db.get("drafts", task);
  return { letters: letters.sort((a, b) => a.at - b.at), draft: draft ?? null };
}

export async function keepDraft(draft: Draft): Promise<void> {
  await (await kept()).put("drafts", draft);
}

export async function keepTask(task: PadTaskOut): Promise<void> {
  await (await kept()).put("task", task, "now");
}

export async function lastTask(): Promise<PadTaskOut | null> {
  return (await (await kept()).get("task", "now")) ?? null;
}

/** Forgets all but what still waits: the next child finds nothing of this one. */
export async function forget(): Promise<void> {
  const db = await kept();
  const all = await db.getAll("written");
  await Promise.all([
    ...all.filter(({ state }) => state === "stored").map(({ id }) => db.delete("written", id)),
    db.clear("drafts"),
    db.clear("task"),
  ]);
}
