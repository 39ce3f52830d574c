/** The lesson: today, what is planned, what the board shows and keeps. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import {
  api,
  type BoardInk,
  type Language,
  type LessonIn,
  type NewLesson,
  type StepKind,
} from "./client";
import { keys } from "./keys";

/** A line of text in the class's hand, or the one beside it, word by word. */
export function useText(text: string, { otherHand = false } = {}) {
  return useQuery({
    queryKey: keys.text(text, otherHand),
    queryFn: () => api.text(text, otherHand),
    enabled: text !== "",
    staleTime: Infinity,
  });
}

export function useToday() {
  return useQuery({ queryKey: keys.today, queryFn: api.today });
}

/** Whatever changes the lesson of today, the week, or what is taught. */
function useChangeOfToday<Sent, Body>(mutationFn: (sent: Sent) => Promise<Body>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn,
    onSuccess: () => queries.invalidateQueries({ queryKey: keys.today }),
  });
}

export const usePlanLesson = () => useChangeOfToday((sent: NewLesson) => api.planLesson(sent));
export const useDeleteLesson = () => useChangeOfToday((id: number) => api.deleteLesson(id));
export const useSetLanguage = () => useChangeOfToday((sent: Language) => api.setLanguage(sent));
export const useSetTaught = () => useChangeOfToday((letters: string[]) => api.setTaught(letters));
export const useCloseLesson = () => useChangeOfToday((id: number) => api.closeLesson(id));

/** Keeps a lesson as it now is; changes are sent one after another, in the order they were made. */
export function useChangeLesson(id: number) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (lesson: LessonIn) => api.changeLesson(id, lesson),
    scope: { id: `lesson ${String(id)}` },
    onSuccess: (lesson) => {
      queries.setQueryData(
        keys.today,
        (today: Awaited<ReturnType<typeof api.today>> | undefined) => today && { ...today, lesson },
      );
    },
  });
}

export function useGoTo(id: number) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (at: number) => api.goTo(id, at),
    scope: { id: `place ${String(id)}` },
    onSuccess: () => queries.invalidateQueries({ queryKey: keys.today, refetchType: "none" }),
  });
}

/** What the teacher wrote on the board in a step. */
export function useWritten(lesson: number, kind: StepKind) {
  return useQuery({
    queryKey: keys.written(lesson, kind),
    queryFn: () => api.written(lesson, kind),
    staleTime: Infinity,
  });
}

/** Keeps what is on the board; it stays on the board whether or not that works. */
export function useKeepWritten(lesson: number, kind: StepKind) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (ink: BoardInk) => api.keepWritten(lesson, kind, ink),
    scope: { id: `written ${String(lesson)} ${kind}` },
    onMutate: (ink) => {
      queries.setQueryData(keys.written(lesson, kind), ink);
    },
  });
}
