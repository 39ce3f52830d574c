/** A lesson's course by name: what its stops are called, and which one the board was left at. */
import type { LessonOut as Lesson } from "../../api/schema";

/** Where the board was left; the beginning, if it was nowhere or that stop is not there any more. */
export function placeOf({ course, at, part }: Pick<Lesson, "course" | "at" | "part">): number {
  const exact = course.findIndex((stop) => stop.kind === at && stop.part === part);
  return Math.max(0, exact >= 0 ? exact : course.findIndex(({ kind }) => kind === at));
}

/** Stops that belong together, and what they are called together. */
export interface Group {
  name: string;
  places: number[];
}

/**
 * The course in groups, for a line of it that can be read: all stops of a letter that is done before
 * the next, or all letters that a step comes round to; any other stop is a group of its own.
 */
export function groupsOf(lesson: Pick<Lesson, "course" | "rounds">): Group[] {
  const groups: (Group & { key: string })[] = [];
  lesson.course.forEach(({ kind, part, title }, place) => {
    const byLetter = lesson.rounds === "by_letter";
    const key = part === null ? `at ${String(place)}` : byLetter ? part : kind;
    const last = groups.at(-1);
    if (last?.key === key) {
      last.places.push(place);
      return;
    }
    groups.push({ key, name: part !== null && byLetter ? part : title, places: [place] });
  });
  return groups;
}
