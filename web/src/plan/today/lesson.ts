/** A lesson as it is sent: what the teacher may change of it, and the small changes themselves. */
import type { Lesson, LessonIn, LessonStep } from "../../api/client";

export function asSent(lesson: Lesson): LessonIn {
  return {
    minutes: lesson.minutes,
    steps: lesson.steps.map(({ kind, minutes, skipped, note }) => ({
      kind,
      minutes,
      skipped,
      note,
    })),
    look_back: lesson.look_back,
    words: lesson.words,
    sentence: lesson.sentence.text,
    share_out: false,
  };
}

export function withStep(
  lesson: LessonIn,
  kind: LessonStep["kind"],
  change: Partial<Pick<LessonStep, "minutes" | "skipped" | "note">>,
): LessonIn {
  return {
    ...lesson,
    steps: lesson.steps.map((step) => (step.kind === kind ? { ...step, ...change } : step)),
  };
}

/** The step so many places later (or earlier); where there is no further, as it was. */
export function withStepMoved(lesson: LessonIn, kind: LessonStep["kind"], by: number): LessonIn {
  const at = lesson.steps.findIndex((step) => step.kind === kind);
  const to = Math.min(lesson.steps.length - 1, Math.max(0, at + by));
  const steps = [...lesson.steps];
  steps.splice(to, 0, ...steps.splice(at, 1));
  return { ...lesson, steps };
}

/** A word put in or taken out. */
export function withWord(lesson: LessonIn, word: string): LessonIn {
  const words = lesson.words.includes(word)
    ? lesson.words.filter((one) => one !== word)
    : [...lesson.words, word];
  return { ...lesson, words };
}
