/** What the pad keeps of its own, on a real store: closed and opened again, full, silent, ill. */
import { openDB } from "idb";
import { afterEach, expect, test, vi } from "vitest";

import { rowHeight } from "../ink/padGeometry";
import { padTask } from "../test/padSamples";
import { LINES } from "../test/samples";
import { type Asked, keyOf, PadStore, type Written } from "./store";

const L: Asked = { seat: 7, who: "Mila", target: "l", kind: "letter", help: "copy", line: null };
const DOWN = {
  points: [
    [0, 2, 4000, null],
    [0, 0, 4300, null],
  ] as [number, number, number, null][],
};
const HOUR = 3600 * 1000;

async function opened(): Promise<PadStore> {
  const store = new PadStore();
  await store.opened;
  return store;
}

/** A letter that waits, written a second after what was before. */
function write(store: PadStore, task: string, asked: Partial<Asked> = {}): string {
  vi.setSystemTime(Date.now() + 1000);
  store.draw(task, 0, [DOWN], { ...L, ...asked });
  const id = store.draftOf(task)?.id ?? "";
  store.finish(task, false);
  return id;
}

const ids = (letters: readonly Written[]) => letters.map(({ id }) => id);

afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
});

test("opened again, it has all that was waiting, set aside, stored or being written", async () => {
  const before = await opened();
  before.setTask(padTask());
  const page = keyOf(padTask());
  const [waits, stored, aside] = [write(before, page), write(before, page), write(before, page)];
  before.hasArrived(stored);
  before.setAside(aside, "It came too late.");
  before.draw(page, 3, [DOWN], L);
  const draft = before.draftOf(page);
  await before.saved();
  expect(before.isSafe).toBe(true);

  const after = await opened();
  expect(after.task).toEqual(before.task);
  expect(ids(after.waiting)).toEqual([waits]);
  expect(after.aside.map(({ id, aside: why }) => [id, why?.why])).toEqual([
    [aside, "It came too late."],
  ]);
  expect(after.lettersOf(page).map(({ state }) => state)).toEqual(["waits", "stored", "aside"]);
  expect(after.draftOf(page)).toEqual(draft);
  expect(after.lettersOf("another page")).toEqual([]);
});

test("what was begun is handed in by the id and of the moment that it was begun with", async () => {
  vi.useFakeTimers({ now: new Date("2026-03-02T09:00:00Z"), toFake: ["Date"] });
  const store = await opened();
  store.draw("a", 2, [DOWN], L);
  const id = store.draftOf("a")?.id;
  vi.setSystemTime(new Date("2026-03-02T09:05:00Z"));
  store.draw("a", 2, [DOWN, DOWN], L);
  store.finish("a", true);
  const [kept] = store.waiting;
  expect(kept).toMatchObject({ id, cell: 2, who: "Mila", task: "a" });
  expect(kept?.body).toMatchObject({
    id,
    target: "l",
    seat: 7,
    struck: true,
    written_at: "2026-03-02T09:00:00.000Z",
  });
  expect(kept?.body.strokes[0]?.points.map((point) => point[2])).toEqual([0, 300]);
});

test("a letter whose strokes were all rubbed out is none", async () => {
  const store = await opened();
  store.draw("a", 0, [DOWN], L);
  store.draw("a", 0, [], L);
  const id = store.draftOf("a")?.id;
  vi.setSystemTime(Date.now() + 60_000);
  store.draw("a", 0, [DOWN], L); // begun anew, of now
  expect(store.draftOf("a")).toMatchObject({ id, began: Date.now() });
  store.draw("a", 0, [], L);
  store.finish("a", false);
  store.finish("never begun", false);
  expect([store.waiting, store.draftOf("a")]).toEqual([[], null]);
});

test("a line that went on in the next row is put together before it waits", async () => {
  const store = await opened();
  const [across, below] = [0, -rowHeight(LINES)].map((y) => ({
    points: [
      [0, y + 1, 0, null],
      [2, y, 100, null],
    ] as [number, number, number, null][],
  }));
  if (!across || !below) throw new Error("two strokes");
  store.draw("a", 0, [across, below], { ...L, kind: "word", line: { lines: LINES, rows: 2 } });
  store.finish("a", false);
  const strokes = store.waiting[0]?.body.strokes ?? [];
  expect(strokes[1]?.points[0]?.[0]).toBeGreaterThan(2);
  expect(strokes[1]?.points[0]?.[1]).toBeCloseTo(1);
});

test("its clock is the server's, also when it is opened again", async () => {
  const store = await opened();
  const now = Date.now();
  store.setClock(new Date(now + HOUR).toISOString(), now);
  expect(store.now() - Date.now()).toBeCloseTo(HOUR, -2);
  await store.saved();
  const after = await opened();
  expect(after.now() - Date.now()).toBeCloseTo(HOUR, -2);
});

test("another task ends what was begun for the one before, the same does not", async () => {
  const store = await opened();
  const [own, best] = [padTask(), padTask({ step: "best" })];
  store.setTask(own);
  store.draw(keyOf(own), 0, [DOWN], L);
  store.setTask({ ...own, written: 3 });
  expect(store.draftOf(keyOf(own))).not.toBeNull();
  store.setTask(best);
  expect(store.draftOf(keyOf(own))).toBeNull();
  expect(store.waiting.map(({ body }) => body.struck)).toEqual([false]);
});

test("forgotten is what has arrived; what waits or was set aside stays, here and in the tablet", async () => {
  const store = await opened();
  store.setTask(padTask());
  const page = keyOf(padTask());
  const [waits, stored, aside] = [write(store, page), write(store, page), write(store, page)];
  store.hasArrived(stored);
  store.setAside(aside, "No.");
  store.forget();
  await store.saved();
  for (const one of [store, await opened()]) {
    expect([one.task, ids(one.waiting), ids(one.aside)]).toEqual([null, [waits], [aside]]);
    expect(one.lettersOf(page)).toHaveLength(2);
  }
});

test("only what was set aside is let go, and nobody's a week after", async () => {
  vi.useFakeTimers({ now: new Date("2026-03-02T09:00:00Z"), toFake: ["Date"] });
  const store = await opened();
  const [waits, aside, other] = [write(store, "a"), write(store, "a"), write(store, "a")];
  store.setAside(aside, "No.");
  store.setAside(other, "No.");
  store.setAside("nobody's", "No.");
  store.letGo([waits, aside, "nobody's"]);
  expect([ids(store.waiting), ids(store.aside)]).toEqual([[waits], [other]]);
  await store.saved();
  vi.setSystemTime(new Date("2026-03-09T08:59:00Z"));
  expect(ids((await opened()).aside)).toEqual([other]);
  vi.setSystemTime(new Date("2026-03-09T09:01:00Z"));
  const late = await opened();
  expect([ids(late.waiting), late.aside]).toEqual([[waits], []]);
});

test("who looks on hears of every change until it looks away", async () => {
  const store = await opened();
  const heard = vi.fn();
  const away = store.subscribe(heard);
  const before = store.version();
  write(store, "a");
  expect(heard.mock.calls.length).toBe(store.version() - before);
  expect(heard).toHaveBeenCalled();
  away();
  heard.mockClear();
  write(store, "a");
  expect(heard).not.toHaveBeenCalled();
});

test("where the store is full it says so, goes on from memory, and saves once there is room", async () => {
  const store = await opened();
  vi.useFakeTimers({ toFake: ["Date", "setTimeout", "clearTimeout"] });
  const full = vi.spyOn(IDBObjectStore.prototype, "put").mockImplementation(() => {
    throw new DOMException("no room", "QuotaExceededError");
  });
  const id = write(store, "a");
  await vi.waitFor(() => {
    expect(store.fails).toBe(true);
  });
  expect([store.isSafe, ids(store.waiting)]).toEqual([false, [id]]);
  full.mockRestore();
  await vi.advanceTimersByTimeAsync(5000);
  vi.useRealTimers();
  await vi.waitFor(() => {
    expect([store.fails, store.isSafe]).toEqual([false, true]);
  });
  expect(ids((await opened()).waiting)).toEqual([id]);
});

test("what is cut off in mid-write is kept whole or not at all, and tried again", async () => {
  const store = await opened();
  vi.useFakeTimers({ toFake: ["Date", "setTimeout", "clearTimeout"] });
  const put = Reflect.get<IDBObjectStore, "put">(IDBObjectStore.prototype, "put");
  const cut = vi.spyOn(IDBObjectStore.prototype, "put").mockImplementation(function (
    this: IDBObjectStore,
    ...given
  ) {
    const asked = put.apply(this, given);
    this.transaction.abort();
    return asked;
  });
  const both = [write(store, "a"), write(store, "b")];
  await vi.waitFor(() => {
    expect(store.fails).toBe(true);
  });
  cut.mockRestore();
  expect((await opened()).waiting).toEqual([]);
  await vi.advanceTimersByTimeAsync(5000);
  vi.useRealTimers();
  await vi.waitFor(() => {
    expect(store.isSafe).toBe(true);
  });
  expect(ids((await opened()).waiting)).toEqual(both);
});

test("what changes while it is being saved is saved as well", async () => {
  const store = await opened();
  const early = write(store, "a");
  await Promise.resolve();
  await Promise.resolve();
  store.hasArrived("nobody's");
  store.setAside(early, "No."); // the same letter, while its first state is on its way
  const late = write(store, "b");
  await vi.waitFor(() => {
    expect(store.isSafe).toBe(true);
  });
  const after = await opened();
  expect([ids(after.waiting), ids(after.aside)]).toEqual([[late], [early]]);
});

test("a store that does not answer holds nobody up, and one that is not there neither", async () => {
  vi.useFakeTimers({ toFake: ["Date", "setTimeout", "clearTimeout"] });
  const silent = vi.spyOn(indexedDB, "open").mockImplementation(() => new IDBOpenDBRequest());
  const store = new PadStore();
  await vi.advanceTimersByTimeAsync(2900);
  expect(store.fails).toBe(false);
  await vi.advanceTimersByTimeAsync(100);
  await store.opened;
  expect(store.fails).toBe(true);
  expect(ids(store.waiting)).toEqual([]);
  write(store, "a");
  expect(store.waiting).toHaveLength(1);
  silent.mockImplementation(() => {
    throw new DOMException("no", "SecurityError");
  });
  const refused = new PadStore();
  await refused.opened;
  expect(refused.fails).toBe(true);
});

test("what an earlier version of the page kept is understood", async () => {
  const now = await opened();
  const id = write(now, "a");
  now.draw("7/own/word/nap/recall", 0, [DOWN], L);
  await now.saved();
  const database = await openDB("first-loop-pad", 1);
  const written = (await database.get("written", id)) as Partial<Written>;
  delete written.who;
  delete written.aside;
  await database.put("written", { ...written, state: "refused" });
  const draft = (await database.get("drafts", "7/own/word/nap/recall")) as Record<string, unknown>;
  delete draft.id;
  delete draft.asked;
  await database.put("drafts", draft);
  database.close();

  const store = await opened();
  expect(store.aside).toMatchObject([
    { id, who: null, aside: { why: "The server did not take it." } },
  ]);
  const read = store.draftOf("7/own/word/nap/recall");
  expect(read?.id).toMatch(/^[0-9a-f-]{36}$/);
  expect(read?.asked).toEqual({
    seat: 7,
    who: null,
    target: "nap",
    kind: "word",
    help: "recall",
    line: null,
  });
});
