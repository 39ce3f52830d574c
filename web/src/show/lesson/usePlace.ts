/** Where a lesson is: on every screen that shows it the same, whichever of them went there. */
import { useState } from "react";

import { useGoTo } from "../../api/lessonQueries";
import { THIS_SCREEN, useLive } from "../../api/roomQueries";
import type { LessonOut as Lesson, StopOut as Stop } from "../../api/schema";
import { placeOf } from "./course";

export interface PlaceInLesson {
  at: number;
  stop: Stop | undefined;
  go: (to: number) => void;
  turn: (by: 1 | -1) => void;
  error: Error | null;
}

/** `onOnwards`: what is on the board was to go on, asked from another device. */
export function usePlace(lesson: Lesson, onOnwards?: () => void): PlaceInLesson {
  const [at, setAt] = useState(() => placeOf(lesson));
  const goTo = useGoTo(lesson.id);
  useLive({
    onPlace: ({ lesson: where, step, part }) => {
      if (where === lesson.id) setAt(placeOf({ ...lesson, at: step, part }));
    },
    onOnwards: ({ lesson: where }) => {
      if (where === lesson.id) onOnwards?.();
    },
  });
  const go = (to: number) => {
    const there = lesson.course[to];
    if (!there || to === at) return;
    setAt(to);
    goTo.mutate({
      params: { path: { lesson_id: lesson.id } },
      body: {
        at: there.kind,
        by: THIS_SCREEN,
        ...(there.part === null ? {} : { part: there.part }),
      },
    });
  };
  return {
    at,
    stop: lesson.course[at],
    go,
    turn: (by) => {
      go(at + by);
    },
    error: goTo.error as Error | null,
  };
}
