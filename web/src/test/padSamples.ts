/** What the server says to pads, for tests to vary. */
import type { JoinedOut, OwnLetter, PadTaskOut } from "../api/schema";
import { L_DRAWING, LINES } from "./samples";

const MILA = { id: 1, name: "Mila", picture: null, tile: null };

/** Mila is to write an l of her own, five of them. */
export function padTask(changes: Partial<PadTaskOut> = {}): PadTaskOut {
  return {
    step: "own",
    kind: "letter",
    target: "l",
    hand: "plain",
    ruling: { kind: "four", lines: LINES.map(({ name, y, look }) => ({ name, u: y, look })) },
    help: "copy",
    model: { words: [L_DRAWING] },
    enough: 5,
    written: 0,
    is_enough: false,
    answers: false,
    prompt: { sound: null, picture: null, drawing: null, question: null },
    doing: "write",
    seat: 7,
    pupil: MILA,
    handedness: "right",
    model_on: "left",
    times_as_high: 1,
    rows: 1,
    cells: true,
    tilted: false,
    rubbing_out: false,
    gap: "",
    further: "",
    reminder: "",
    choose: [],
    now: new Date().toISOString(),
    let_go: [],
    ...changes,
  };
}

/** Nobody has taken a tile here yet. */
export const NOBODY: Partial<PadTaskOut> = { pupil: null, seat: null, doing: "watch", kind: null };

export function joined(...taken: number[]): JoinedOut {
  const pupils = [MILA, { ...MILA, id: 2, name: "Jori" }];
  return {
    pad: "3",
    lesson: { id: 4, aim: "Write l." },
    pupils: pupils.map((one) => ({ ...one, taken: taken.includes(one.id) })),
  };
}

export function ownLetter(id: string, best = false): OwnLetter {
  const points: [number, number, null, null][] = [
    [0, 2, null, null],
    [0, 0, null, null],
  ];
  return { id, target: "l", best, strokes: [{ points }] };
}
