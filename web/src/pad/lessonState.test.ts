/** What follows from what happens to a pad. */
import { expect, test } from "vitest";

import { joined, NOBODY, padTask } from "../test/padSamples";
import { after, type Happening, type LessonState, OPENING, type Where } from "./lessonState";

const TASK = padTask();
const ANSWER = { id: "a", stored: true, say: "Down to the line.", replay: null } as const;
const IN: LessonState = { ...OPENING, where: "in", joined: joined(), task: TASK };
const CALLED: LessonState = { ...IN, look: true, answer: ANSWER, problem: "No.", alone: true };

test.each<[Happening, Partial<LessonState>]>([
  [{ is: "looks for its lesson" }, { where: "opening" }],
  [{ is: "waits for a nod" }, { where: "asking", alone: false, problem: null }],
  [
    { is: "joined", joined: joined(2) },
    { where: "tiles", joined: joined(2), alone: false, problem: null },
  ],
  [{ is: "tiles", joined: joined(1) }, { joined: joined(1) }],
  [
    { is: "task", task: padTask({ written: 2 }) },
    { task: padTask({ written: 2 }), alone: false },
  ],
  [
    { is: "nobody sits here", joined: joined(1) },
    { where: "tiles", joined: joined(1) },
  ],
  [
    { is: "sits", task: padTask({ seat: 8 }) },
    { where: "in", alone: false, problem: null, answer: null },
  ],
  [{ is: "alone" }, { alone: true }],
  [{ is: "reached", reached: true }, { alone: false }],
  [{ is: "problem", problem: "Show it." }, { problem: "Show it." }],
  [{ is: "went well" }, { problem: null }],
  [{ is: "passed on" }, { where: "tiles", problem: null }],
  [{ is: "put out" }, { where: "over", problem: null }],
  [{ is: "over" }, { where: "over", task: null, look: false, problem: null, answer: null }],
  [{ is: "looked" }, { look: false }],
  [{ is: "replay" }, { replays: 1 }],
  [{ is: "goes on" }, { look: false, answer: null }],
  [{ is: "handed in" }, { answer: null }],
])("$0.is: what it is about changes, and nothing else", (what, changed) => {
  const now = after(CALLED, what);
  if (what.is === "task") expect(now.task?.written).toBe(2);
  if (what.is === "sits") expect(now.task?.seat).toBe(8);
  expect({ ...now, task: null }).toEqual({ ...CALLED, ...changed, task: null });
});

test("who is choosing a tile goes on choosing when a task comes", () => {
  const places = (["opening", "asking", "tiles", "in"] as const).map(
    (where) => after({ ...IN, where }, { is: "task", task: TASK }).where,
  );
  expect(places).toEqual(["in", "in", "tiles", "in"]);
  const nobody = after(OPENING, { is: "task", task: padTask(NOBODY) });
  expect([nobody.where, nobody.task?.pupil]).toEqual(["opening", null]);
});

test("only a pad at which a child writes is told that it was put out", () => {
  const places = (["code", "asking", "tiles", "over"] satisfies Where[]).map(
    (where) => after({ ...IN, where }, { is: "put out" }).where,
  );
  expect(places).toEqual(["code", "asking", "tiles", "over"]);
});

test("an answer without words or a movement leaves the one before", () => {
  const said = after(IN, { is: "answer", answer: ANSWER });
  expect(said.answer).toBe(ANSWER);
  expect(after(said, { is: "answer", answer: { ...ANSWER, say: null } }).answer).toBe(ANSWER);
  const shown = { ...ANSWER, say: null, replay: { stroke: 0, move: 1 } };
  expect(after(said, { is: "answer", answer: shown }).answer).toBe(shown);
});

test("without the network it goes on with the last task, if there was one", () => {
  const alone = after(OPENING, { is: "alone", goesOnWith: TASK });
  expect(alone).toMatchObject({ where: "in", task: TASK, alone: true });
  expect(after(OPENING, { is: "alone" })).toMatchObject({ where: "opening", task: null });
});

test("a code that is refused says why; a pad that nobody knows is asked for one quietly", () => {
  const refused = after(OPENING, { is: "needs a code", alone: false, problem: "No lesson." });
  expect(refused).toMatchObject({ where: "code", problem: "No lesson.", alone: false });
  expect(after(OPENING, { is: "needs a code", alone: true })).toMatchObject({
    where: "code",
    problem: null,
    alone: true,
  });
});
