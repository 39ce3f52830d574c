/** A letter being mended: each step as it was, so that the last can be taken back. Pure. */
import type { Understood } from "../../api/schema";

/** A move by its place. */
export interface Place {
  stroke: number;
  move: number;
}

export interface Draft {
  /** What it began with: the same letter, understood anew, begins a new draft. */
  of: Understood;
  steps: readonly Understood[];
}

export function begun(of: Understood): Draft {
  return { of, steps: [] };
}

/** The letter as it is now. */
export function shown({ of, steps }: Draft): Understood {
  return steps.at(-1) ?? of;
}

export function after(draft: Draft, step: Understood): Draft {
  return { ...draft, steps: [...draft.steps, step] };
}

export function undone(draft: Draft): Draft {
  return { ...draft, steps: draft.steps.slice(0, -1) };
}

/** The move that is there, if the letter still has as many; else its first. */
export function placeIn(letter: Understood, { stroke, move }: Place): Place {
  const moves = letter.drawing.strokes[stroke];
  if (!moves) return { stroke: 0, move: 0 };
  return move < moves.length ? { stroke, move } : { stroke, move: moves.length - 1 };
}

/** The move before or after, over all strokes; at an end it stays. */
export function stepped(letter: Understood, place: Place, by: number): Place {
  const all = letter.drawing.strokes.flatMap((moves, stroke) =>
    moves.map((_, move): Place => ({ stroke, move })),
  );
  const at = all.findIndex(({ stroke, move }) => stroke === place.stroke && move === place.move);
  return all[Math.min(all.length - 1, Math.max(0, at + by))] ?? place;
}

interface Standing {
  letter: string;
  stands: unknown;
}

/** The next letter that does not stand yet, after this one and then from the beginning. */
export function nextUnwritten(letters: readonly Standing[], letter: string): string | undefined {
  const at = letters.findIndex((one) => one.letter === letter);
  const round = [...letters.slice(at + 1), ...letters.slice(0, at)];
  return round.find(({ stands }) => stands === null)?.letter;
}
