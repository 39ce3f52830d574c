/** What the pad knows of its lesson, and what follows from what happens: pure, no calls in it. */
import type { JoinedOut, PadTaskOut, StoredOut } from "../api/schema";

/** How far it has come: it looks, needs a code, waits for a nod, a tile is chosen, in, over. */
export type Where = "opening" | "code" | "asking" | "tiles" | "in" | "over";

export interface LessonState {
  where: Where;
  joined: JoinedOut | null;
  task: PadTaskOut | null;
  /** The server is not reached just now. */
  alone: boolean;
  problem: string | null;
  /** The class is called to look at the board. */
  look: boolean;
  /** How often the movement was to be shown again; grows. */
  replays: number;
  /** What was said to the last letter, where the class wants that. */
  answer: StoredOut | null;
}

export const OPENING: LessonState = {
  where: "opening",
  joined: null,
  task: null,
  alone: false,
  problem: null,
  look: false,
  replays: 0,
  answer: null,
};

export type Happening =
  | { is: "looks for its lesson" }
  | { is: "needs a code"; alone: boolean; problem?: string }
  | { is: "waits for a nod" }
  | { is: "joined"; joined: JoinedOut }
  | { is: "tiles"; joined: JoinedOut }
  | { is: "nobody sits here"; joined: JoinedOut }
  | { is: "task"; task: PadTaskOut }
  | { is: "alone"; goesOnWith?: PadTaskOut }
  | { is: "reached"; reached: boolean }
  | { is: "answer"; answer: StoredOut }
  | { is: "problem"; problem: string }
  | { is: "went well" }
  | { is: "sits"; task: PadTaskOut }
  | { is: "writes" }
  | { is: "passed on" }
  | { is: "put out" }
  | { is: "over" }
  | { is: "called to look" }
  | { is: "looked" }
  | { is: "replay" }
  | { is: "goes on" }
  | { is: "handed in" };

export function after(before: LessonState, what: Happening): LessonState {
  switch (what.is) {
    case "looks for its lesson":
      return { ...before, where: "opening" };
    case "needs a code":
      return {
        ...before,
        where: "code",
        alone: what.alone,
        problem: what.problem ?? before.problem,
      };
    case "waits for a nod":
      return { ...before, where: "asking", alone: false, problem: null };
    case "joined":
      return { ...before, where: "tiles", joined: what.joined, alone: false, problem: null };
    case "tiles":
      return { ...before, joined: what.joined };
    case "nobody sits here":
      return { ...before, where: "tiles", joined: what.joined };
    case "task": {
      // Who is choosing a tile goes on choosing, whoever sat here before.
      const isHere = what.task.pupil !== null && before.where !== "tiles";
      return { ...before, task: what.task, alone: false, where: isHere ? "in" : before.where };
    }
    case "alone":
      return what.goesOnWith
        ? { ...before, alone: true, task: what.goesOnWith, where: "in" }
        : { ...before, alone: true };
    case "reached":
      return { ...before, alone: !what.reached };
    case "answer": {
      const says = what.answer.say !== null || what.answer.replay !== null;
      return says ? { ...before, answer: what.answer } : before;
    }
    case "problem":
      return { ...before, problem: what.problem };
    case "went well":
      return { ...before, problem: null };
    case "sits": // with what this child is to write, never with what was for the one before
      return {
        ...before,
        where: "in",
        task: what.task,
        alone: false,
        problem: null,
        answer: null,
      };
    case "writes":
      return { ...before, where: "in", problem: null };
    case "passed on":
      return { ...before, where: "tiles", problem: null };
    case "put out":
      return { ...before, where: before.where === "in" ? "over" : before.where, problem: null };
    case "over":
      return { ...before, where: "over", task: null, look: false, problem: null, answer: null };
    case "called to look":
      return { ...before, look: true };
    case "looked":
      return { ...before, look: false };
    case "replay":
      return { ...before, replays: before.replays + 1 };
    case "goes on":
      return { ...before, look: false, answer: null };
    case "handed in":
      return { ...before, answer: null };
  }
}
