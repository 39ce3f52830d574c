/** What waits is handed in, the oldest first; what follows from each answer. Nothing is kept here. */
import { afterEach, beforeEach, expect, test, vi } from "vitest";

import type { PadTaskOut, Problem } from "../api/schema";
import { type Asked as Sent, serve } from "../test/server";
import { openOutbox, type Outbox } from "./outbox";
import { type Asked, PadStore } from "./store";

const N: Asked = { seat: 1, who: "Mila", target: "n", kind: "letter", help: "copy", line: null };
const DOWN = {
  points: [
    [0, 1, 0, null],
    [0, 0, 300, null],
  ],
} as const;

/** What the store looks at of a task: who sits there, and what it is called by. */
const taskOf = (seat: number) =>
  ({ seat, step: "own", kind: "letter", target: "n", help: "copy" }) as PadTaskOut;

let store: PadStore;
let outbox: Outbox;
let answers: number[];
let sent: string[];
const news = { onReached: vi.fn(), onStored: vi.fn(), onOut: vi.fn(), onTooMuch: vi.fn() };

/** The server's next answers, in their order; 201 for all others. */
function answerBy(...statuses: number[]) {
  answers = statuses;
  serve("POST /api/pad/attempts", ({ body }: Sent) => {
    const { id } = body as { id: string };
    sent.push(id);
    const status = answers.shift() ?? 201;
    if (status === 201) return { id, stored: true, say: null, replay: null };
    const problem: Problem = { type: "", title: "No", status, detail: "Not this one.", where: [] };
    return Response.json(problem, { status });
  });
}

/** A letter that waits; its id. */
function write(task: string): string {
  store.draw(task, 0, [{ points: DOWN.points.map(([x, y, ms, f]) => [x, y, ms, f]) }], N);
  const id = store.draftOf(task)?.id ?? "";
  store.finish(task, false);
  return id;
}

beforeEach(async () => {
  store = new PadStore();
  await store.opened;
  sent = [];
  vi.clearAllMocks();
  outbox = openOutbox(store, news);
});
afterEach(() => {
  outbox.stop();
});

test.each([404, 409, 410, 413, 422])(
  "%i is set aside, and what is newer goes on",
  async (status) => {
    const [refused, fresh] = [write("a"), write("b")];
    answerBy(status);
    await outbox.send();
    expect(news.onTooMuch).not.toHaveBeenCalled();
    expect(sent).toEqual([refused, fresh]);
    expect(store.waiting).toEqual([]);
    expect(store.aside.map(({ id, aside }) => [id, aside?.why])).toEqual([
      [refused, "Not this one."],
    ]);
    store.forget();
    expect(store.aside).toHaveLength(1);
    store.letGo([refused, fresh]);
    expect(store.aside).toEqual([]);
  },
);

test("one that the server fails on holds up no other, and is sent again", async () => {
  const [failed, fresh] = [write("a"), write("b")];
  answerBy(500);
  await outbox.send();
  expect([sent, store.waiting.map(({ id }) => id)]).toEqual([[failed, fresh], [failed]]);
  await outbox.send();
  expect(sent).toEqual([failed, fresh, failed]);
  expect(store.waiting).toEqual([]);
});

test("a server that is busy is left alone for a while, and one that put the pad out until it is in", async () => {
  write("a");
  write("b");
  answerBy(503, 401);
  await outbox.send();
  expect([sent.length, store.waiting.length]).toEqual([1, 2]);
  await outbox.send();
  expect(news.onOut).toHaveBeenCalledOnce();
  expect([sent.length, store.waiting.length]).toEqual([2, 2]);
  await outbox.send();
  expect(store.waiting).toEqual([]);
});

test("where no more is taken for now, it waits, and the child is told", async () => {
  write("a");
  serve("POST /api/pad/attempts", () => {
    const title = "More than a child could write";
    const problem: Problem = { type: "", title, status: 429, detail: "Show it.", where: [] };
    return Response.json(problem, { status: 429 });
  });
  await outbox.send();
  expect(news.onTooMuch).toHaveBeenCalledExactlyOnceWith("Show it.");
  expect([store.waiting.length, store.aside.length]).toEqual([1, 0]);
});

test("a letter that arrives when its child has passed the tablet on leaves it at once", async () => {
  answerBy();
  store.setTask(taskOf(1));
  const mine = write("a");
  await outbox.send();
  expect(store.lettersOf("a").map(({ id, state }) => [id, state])).toEqual([[mine, "stored"]]);
  write("b");
  store.forget();
  store.setTask(taskOf(2));
  expect(store.waiting).toHaveLength(1);
  await outbox.send();
  expect([store.waiting, store.lettersOf("a"), store.lettersOf("b")]).toEqual([[], [], []]);
});

test("what is being written for another task is done, once, by the id it was begun with", () => {
  store.draw("a", 0, [{ points: [[0, 1, 0, null]] }], N);
  const id = store.draftOf("a")?.id;
  store.finishAllBut("b");
  store.finishAllBut("b");
  expect(store.waiting.map((one) => one.id)).toEqual([id]);
});

test("whether the server was reached is told with every answer, also with one that refuses", async () => {
  write("a");
  answerBy(201);
  await outbox.send();
  write("b");
  answerBy(422);
  await outbox.send();
  write("c");
  serve("POST /api/pad/attempts", () => Promise.reject(new TypeError("no network")));
  await outbox.send();
  expect(news.onReached.mock.calls).toEqual([[true], [true], [false]]);
  expect(news.onStored).toHaveBeenCalledOnce();
  expect(store.waiting).toHaveLength(1);
});

test("what waits is sent again by itself, when the network is back or the lid is opened, until it stops", async () => {
  outbox.stop();
  vi.useFakeTimers({ toFake: ["setInterval", "clearInterval", "setTimeout", "clearTimeout"] });
  outbox = openOutbox(store, news);
  serve("POST /api/pad/attempts", () => Promise.reject(new TypeError("no network")));
  write("a");
  await outbox.send();
  const wakes = [
    () => vi.advanceTimersByTime(3000),
    () => window.dispatchEvent(new Event("online")),
    () => vi.advanceTimersByTime(500), // nothing went through yet when it said so
    () => document.dispatchEvent(new Event("visibilitychange")),
  ];
  for (const wake of wakes) {
    const before = news.onReached.mock.calls.length;
    wake();
    await vi.waitFor(() => {
      expect(news.onReached.mock.calls.length).toBe(before + 1);
    });
  }
  outbox.stop();
  const before = news.onReached.mock.calls.length;
  for (const wake of wakes) wake();
  await Promise.resolve();
  expect(news.onReached.mock.calls.length).toBe(before);
  vi.useRealTimers();
});

test("put out, it wakes by nothing until it is asked to send", async () => {
  outbox.stop();
  vi.useFakeTimers({ toFake: ["setInterval", "clearInterval"] });
  outbox = openOutbox(store, news);
  write("a");
  write("b");
  answerBy(401);
  await outbox.send();
  vi.advanceTimersByTime(9000);
  window.dispatchEvent(new Event("online"));
  await Promise.resolve();
  expect(sent).toHaveLength(1);
  vi.useRealTimers();
  await outbox.send();
  expect(store.waiting).toEqual([]);
});

test("what comes while it sends is sent as well, once", async () => {
  const first = write("a");
  answerBy();
  const both = [outbox.send(), outbox.send()];
  const second = write("b");
  both.push(outbox.send());
  await Promise.all(both);
  await vi.waitFor(() => {
    expect(store.waiting).toEqual([]);
  });
  expect(sent).toEqual([first, second]);
});

test("a busy server is left alone at once, whatever else waits", async () => {
  for (const status of [408, 425, 429, 503]) {
    answerBy(status);
    const before = sent.length;
    write(`a ${String(status)}`);
    write(`b ${String(status)}`);
    await outbox.send();
    expect(sent.length).toBe(before + 1);
    await outbox.send();
    expect(store.waiting).toEqual([]);
  }
  expect(store.aside).toEqual([]);
});
