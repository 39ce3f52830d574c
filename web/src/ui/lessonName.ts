import type { LessonOut as Lesson } from "../api/schema";

/** What a lesson is called. */
export function nameOf({ new: parts }: Pick<Lesson, "new">): string {
  return parts.length > 0 ? `Lesson on ${parts.join(", ")}` : "Lesson of words";
}
