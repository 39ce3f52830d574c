/** What changes from one word of a chain to the next. */
import type { WordOut as Word } from "../../api/schema";

/** The places of the letters whose sound is not that of the word before. */
export function changedPlaces(before: Word | undefined, word: Word): number[] {
  if (!before) return [];
  return word.graphemes
    .filter(({ letters, at }, k) => {
      const was = before.graphemes[k];
      return was?.letters !== letters || was.at.length !== at.length;
    })
    .flatMap(({ at }) => at);
}
