/**
 * What the pad keeps of its own: each letter until the server has said that it has it, what is being
 * written, what was set aside, the task it was given. It is in memory at once, so that nothing waits
 * for the tablet's own store (IndexedDB), and there soon after, so that a closed lid loses nothing.
 * Where that store fails, the pad goes on from memory, says so, and tries again.
 */
import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import { v4 as uuid } from "uuid";

import type { InkStroke, Kind, PadAttemptIn, PadTaskOut, RulingLine as Line } from "../api/schema";
import { onOneLine } from "../ink/longLine";
import { inkOf } from "../ink/usePad";
import { freely } from "./freely";

/** What is written: for whom, what, with how much help; on which rows of a sheet, of a long line. */
export interface Asked {
  seat: number | null;
  who: string | null;
  target: string;
  kind: Kind;
  help: PadAttemptIn["help"];
  line: { lines: Line[]; rows: number } | null;
}

/** What is being written. It is handed in by the id that it is begun with, once. */
export interface Draft {
  id: string;
  /** The task and sitting that it belongs to, `keyOf`. */
  task: string;
  cell: number;
  strokes: InkStroke[];
  /** When it was begun, by the server's clock as far as it is known. */
  began: number;
  asked: Asked;
}

/** Something written: what is handed in, where it stands on the page, whether it has arrived. */
export interface Written {
  id: string;
  body: PadAttemptIn;
  task: string;
  cell: number;
  state: "waits" | "stored" | "aside";
  at: number;
  who: string | null;
  /** Of what the server will never take: why, and since when it lies here. */
  aside: { why: string; since: number } | null;
}

/** What was set aside is wiped after a week, as the server says that it is. */
const KEPT_ASIDE_MS = 7 * 24 * 3600 * 1000;
const OPENS_WITHIN_MS = 3000;
const AGAIN_AFTER_MS = 5000;

interface Kept extends DBSchema {
  written: { key: string; value: Written; indexes: { task: string } };
  drafts: { key: string; value: Draft };
  task: { key: string; value: PadTaskOut | number };
}
type Change =
  | { shelf: "written"; key: string; value: Written | null }
  | { shelf: "drafts"; key: string; value: Draft | null }
  | { shelf: "task"; key: string; value: PadTaskOut | number | null };

/** The task and the sitting: letters of the same are on one page. */
export function keyOf({ seat, step, kind, target, help }: PadTaskOut): string {
  return [seat, step, kind, target, help].join("/");
}

export class PadStore {
  /** Settled once what the tablet kept is there, or once it is clear that it keeps nothing. */
  readonly opened: Promise<void>;
  #written = new Map<string, Written>();
  #drafts = new Map<string, Draft>();
  #task: PadTaskOut | null = null;
  #offset_ms = 0;
  #unsaved = new Map<string, Change>();
  #saving: Promise<void> | null = null;
  #again: ReturnType<typeof setTimeout> | undefined;
  #fails = false;
  #version = 0;
  #listeners = new Set<() => void>();
  #database: Promise<IDBPDatabase<Kept>> | null = null;

  constructor() {
    this.opened = this.#load();
  }

  readonly subscribe = (listener: () => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };
  /** Grows with every change. */
  readonly version = () => this.#version;

  /** The tablet's own store does not take what is written: it would be lost with the page. */
  get fails(): boolean {
    return this.#fails;
  }

  /** Whether the page may be loaded anew without losing anything. */
  get isSafe(): boolean {
    return this.#unsaved.size === 0;
  }

  get task(): PadTaskOut | null {
    return this.#task;
  }

  /** What the server has not said that it has, the oldest first. */
  get waiting(): Written[] {
    return this.#inOrder(({ state }) => state === "waits");
  }

  /** What the server will never take, until an adult lets it go. */
  get aside(): Written[] {
    return this.#inOrder(({ state }) => state === "aside");
  }

  lettersOf(task: string): Written[] {
    return this.#inOrder((one) => one.task === task);
  }

  draftOf(task: string): Draft | null {
    return this.#drafts.get(task) ?? null;
  }

  /** Now, by the server's clock as far as it is known. */
  now(): number {
    return Date.now() + this.#offset_ms;
  }

  /**
   * Learns how far this tablet's clock is off, from what the server said and when that was here. On
   * its way it grew old, nobody knows by how much: so this clock runs behind rather than ahead,
   * where a letter begun before the lesson's end would be dated after it and never be taken.
   */
  setClock(server: string, answered: number): void {
    this.#offset_ms = Date.parse(server) - answered;
    this.#change({ shelf: "task", key: "offset", value: this.#offset_ms });
  }

  /** Keeps the task that the pad was given. What was begun for another is done, and what another
   * child handed in here leaves the tablet. */
  setTask(task: PadTaskOut): void {
    this.#task = task;
    const others = this.#inOrder(
      ({ state, body }) => state === "stored" && body.seat !== task.seat,
    );
    for (const { id } of others) this.#drop(id);
    this.#change({ shelf: "task", key: "now", value: task });
    this.finishAllBut(keyOf(task), ...(task.further ? [keyOf(freely(task))] : []));
  }

  /** A stroke more of what is being written, or one less; it begins with its first. */
  draw(task: string, cell: number, strokes: InkStroke[], asked: Asked): void {
    const before = this.#drafts.get(task);
    const draft: Draft = {
      id: before?.id ?? uuid(),
      task,
      cell,
      strokes,
      began: before && before.strokes.length > 0 ? before.began : this.now(),
      asked,
    };
    this.#drafts.set(task, draft);
    this.#change({ shelf: "drafts", key: task, value: draft });
  }

  /** What is being written for a task is done; it waits to be handed in. */
  finish(task: string, struck: boolean): void {
    const draft = this.#drafts.get(task);
    if (!draft) return;
    this.#drafts.delete(task);
    this.#change({ shelf: "drafts", key: task, value: null });
    if (draft.strokes.length > 0) this.#put(writtenOf(draft, struck));
  }

  finishAllBut(...tasks: string[]): void {
    for (const key of [...this.#drafts.keys()]) if (!tasks.includes(key)) this.finish(key, false);
  }

  /** The server has it: it stays on its child's page, and leaves a tablet that was passed on. */
  hasArrived(id: string): void {
    const one = this.#written.get(id);
    if (!one) return;
    if (this.#task?.seat === one.body.seat) this.#put({ ...one, state: "stored" });
    else this.#drop(id);
  }

  /** The server will never take it: it lies here until somebody who may lets it go. */
  setAside(id: string, why: string): void {
    const one = this.#written.get(id);
    if (one) this.#put({ ...one, state: "aside", aside: { why, since: this.now() } });
  }

  /** Wipes what was set aside. */
  letGo(ids: readonly string[]): void {
    for (const id of ids) if (this.#written.get(id)?.state === "aside") this.#drop(id);
  }

  /** Forgets all but what still waits or was set aside: the next child finds nothing of this one. */
  forget(): void {
    this.finishAllBut();
    for (const { id } of this.#inOrder(({ state }) => state === "stored")) this.#drop(id);
    this.#task = null;
    this.#change({ shelf: "task", key: "now", value: null });
  }

  /** Settled once all that is in memory is in the tablet's store, or that has failed. */
  async saved(): Promise<void> {
    await this.#saving;
  }

  #inOrder(which: (one: Written) => boolean): Written[] {
    return [...this.#written.values()].filter(which).sort((a, b) => a.at - b.at);
  }

  #put(one: Written): void {
    this.#written.set(one.id, one);
    this.#change({ shelf: "written", key: one.id, value: one });
  }

  #drop(id: string): void {
    this.#written.delete(id);
    this.#change({ shelf: "written", key: id, value: null });
  }

  #change(change: Change): void {
    this.#unsaved.set(`${change.shelf} ${change.key}`, change);
    this.#told();
    this.#save();
  }

  #told(): void {
    this.#version++;
    for (const listener of this.#listeners) listener();
  }

  #save(): void {
    clearTimeout(this.#again);
    this.#saving ??= this.#saveAll().finally(() => {
      this.#saving = null;
      if (this.#unsaved.size > 0 && !this.#fails) this.#save();
    });
  }

  /** All that changed, in one go: it is there, or nothing of it is. */
  async #saveAll(): Promise<void> {
    await Promise.resolve(); // what changes together is saved together
    const batch = [...this.#unsaved];
    try {
      const all = (await this.#open()).transaction(["written", "drafts", "task"], "readwrite");
      const done = all.done;
      done.catch(() => undefined); // told by what follows
      for (const [, { shelf, key, value }] of batch)
        await saveIn(all.objectStore(shelf), key, value);
      await done;
      for (const [name, change] of batch) {
        if (this.#unsaved.get(name) === change) this.#unsaved.delete(name);
      }
      this.#setFails(false);
    } catch {
      this.#database = null;
      this.#setFails(true);
      this.#again = setTimeout(() => {
        this.#save();
      }, AGAIN_AFTER_MS);
    }
  }

  #setFails(fails: boolean): void {
    if (this.#fails === fails) return;
    this.#fails = fails;
    this.#told();
  }

  #open(): Promise<IDBPDatabase<Kept>> {
    this.#database ??= opensInTime();
    return this.#database;
  }

  async #load(): Promise<void> {
    try {
      const database = await this.#open();
      const [written, drafts, task, offset] = await Promise.all([
        database.getAll("written"),
        database.getAll("drafts"),
        database.get("task", "now"),
        database.get("task", "offset"),
      ]);
      for (const one of written) this.#written.set(one.id, asNow(one, Date.now()));
      for (const one of drafts) this.#drafts.set(one.task, draftAsNow(one));
      if (typeof task === "object") this.#task = task;
      if (typeof offset === "number") this.#offset_ms = offset;
      this.letGo(this.aside.filter((one) => isOld(one, this.now())).map(({ id }) => id));
      void navigator.storage.persist().catch(() => undefined); // else it may be cleared for room
    } catch {
      this.#database = null;
      this.#setFails(true);
    }
    this.#told();
  }
}

/** The tablet's store; rejected where it does not answer, as some browsers' do when they are ill. */
async function opensInTime(): Promise<IDBPDatabase<Kept>> {
  const opening = openDB<Kept>("first-loop-pad", 1, {
    upgrade(db) {
      db.createObjectStore("written", { keyPath: "id" }).createIndex("task", "task");
      db.createObjectStore("drafts", { keyPath: "task" });
      db.createObjectStore("task");
    },
  });
  let late: ReturnType<typeof setTimeout> | undefined;
  const waited = new Promise<never>((_, reject) => {
    late = setTimeout(() => {
      reject(new Error("the tablet's store does not answer"));
    }, OPENS_WITHIN_MS);
  });
  try {
    return await Promise.race([opening, waited]);
  } finally {
    clearTimeout(late);
  }
}

interface Saves {
  readonly keyPath: string | string[] | null;
  put: (value: never, key?: string) => Promise<unknown>;
  delete: (key: string) => Promise<unknown>;
}

async function saveIn(shelf: Saves, key: string, value: Change["value"]): Promise<void> {
  if (value === null) await shelf.delete(key);
  else if (shelf.keyPath === null) await shelf.put(value as never, key);
  else await shelf.put(value as never);
}

function isOld({ aside }: Written, now: number): boolean {
  return aside !== null && now - aside.since > KEPT_ASIDE_MS;
}

function writtenOf({ id, task, cell, strokes, began, asked }: Draft, struck: boolean): Written {
  const { seat, who, target, kind, help, line } = asked;
  return {
    id,
    task,
    cell,
    state: "waits",
    at: Date.now(),
    who,
    aside: null,
    body: {
      id,
      target,
      kind,
      help,
      // When it was begun: a lesson that ends meanwhile still takes it.
      written_at: new Date(began).toISOString(),
      struck,
      seat,
      strokes: inkOf(line ? onOneLine(strokes, line.lines, line.rows) : strokes),
    },
  };
}

/** What an earlier version of this page kept, as this one does: `refused` is set aside now. */
function asNow(one: Written, now: number): Written {
  const known: Partial<Written> = one;
  const isKnown = ["waits", "stored", "aside"].includes(one.state);
  return {
    ...one,
    who: known.who ?? null,
    state: isKnown ? one.state : "aside",
    aside: isKnown ? (known.aside ?? null) : { why: "The server did not take it.", since: now },
  };
}

/** A draft of an earlier version says only by its key what it was begun for. */
function draftAsNow(one: Draft): Draft {
  const known: Partial<Draft> = one;
  if (known.asked && known.id) return one;
  const [seat, , kind, target, help] = one.task.split("/");
  return {
    ...one,
    id: known.id ?? uuid(),
    asked: {
      seat: Number(seat) || null,
      who: null,
      target: target ?? "",
      kind: (kind ?? "letter") as Kind,
      help: (help ?? "copy") as PadAttemptIn["help"],
      line: null,
    },
  };
}
