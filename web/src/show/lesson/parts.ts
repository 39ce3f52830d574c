/** What a lesson is about, part by part. */
import type { Lesson } from "../../api/client";

/** What is new, to be shown in turn: a pair first as the pair it is, then its letters. */
export function partsOf({ new: parts }: Pick<Lesson, "new">): string[] {
  const shown = parts.flatMap((part) => (part.length > 1 ? [part, ...Array.from(part)] : [part]));
  return [...new Set(shown)];
}

/** Its letters, each once. */
export function lettersOf({ new: parts }: Pick<Lesson, "new">): string[] {
  return [...new Set(parts.flatMap((part) => Array.from(part)))];
}
