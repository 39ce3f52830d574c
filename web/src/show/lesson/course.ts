/** A lesson's course by name: what its stops are called, and which one the board was left at. */
import type { LessonOut as Lesson } from "../../api/schema";

/** A step that has come round to a letter is called by both. */
export function titleOf({ course, steps }: Pick<Lesson, "course" | "steps">, place: number) {
  const stop = course[place];
  const title = steps.find(({ kind }) => kind === stop?.kind)?.title ?? "";
  return stop?.part ? `${title}: ${stop.part}` : title;
}

/** Where the board was left; the beginning, if it was nowhere or that stop is not there any more. */
export function placeOf({ course, at, part }: Pick<Lesson, "course" | "at" | "part">): number {
  const exact = course.findIndex((stop) => stop.kind === at && stop.part === part);
  return Math.max(0, exact >= 0 ? exact : course.findIndex(({ kind }) => kind === at));
}
