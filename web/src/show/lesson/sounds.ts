/** How much of a drawn word belongs to its first sounds. Pure. */
import type { MoveDrawing, WordOut } from "../../api/schema";

interface Drawn {
  strokes: readonly (readonly Pick<MoveDrawing, "of">[])[];
}

/**
 * How many moves are made once so many sounds are written. Letters are written as they stand: the
 * second half of a split pair waits for what is between, dots and bars for the end of the word.
 */
export function writtenBy(letter: Drawn, word: Pick<WordOut, "graphemes">, sounds: number): number {
  const moves = letter.strokes.flat();
  if (sounds >= word.graphemes.length) return moves.length;
  const letters = new Set(word.graphemes.slice(0, sounds).flatMap(({ at }) => at));
  const next = moves.findIndex(({ of }) => !letters.has(of));
  return next < 0 ? moves.length : next;
}
