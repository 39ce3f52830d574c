/** The lesson: today, what is planned, what the board shows and keeps. */
import { keepPreviousData, useQueryClient } from "@tanstack/react-query";

import { $api, exact } from "./client";
import type {
  BoardInk,
  LessonOut,
  LetterDrawing,
  NewLesson,
  paths,
  StepKind,
  PlaceToWatch,
  TodayOut,
} from "./schema";

/** What a teacher does to a lesson, one thing at a time. */
export type LessonChange =
  paths["/api/plan/lessons/{lesson_id}/changes"]["post"]["requestBody"]["content"]["application/json"];

const todayQuery = $api.queryOptions("get", "/api/plan/today");

/** A line of text in the class's hand, or the one beside it, word by word. */
export function useText(text: string, { otherHand = false } = {}) {
  return $api.useQuery(
    "get",
    "/api/show/text",
    { params: { query: { text, other_hand: otherHand } } },
    { enabled: text !== "", staleTime: Infinity, select: exact<LetterDrawing[]> },
  );
}

/** Where a word is to be watched. */
export function usePlacesToWatch(text: string, wanted: boolean) {
  return $api.useQuery(
    "get",
    "/api/show/watch",
    { params: { query: { text } } },
    { enabled: wanted && text !== "", staleTime: Infinity, select: exact<PlaceToWatch[]> },
  );
}

const lessonQuery = (lesson_id: number) =>
  $api.queryOptions("get", "/api/plan/lessons/{lesson_id}", { params: { path: { lesson_id } } });

/** One lesson, of whatever day. */
export function useLesson(id: number) {
  return $api.useQuery(
    "get",
    "/api/plan/lessons/{lesson_id}",
    { params: { path: { lesson_id: id } } },
    { select: exact<LessonOut> },
  );
}

/** How a lesson's sheet is to be. */
export type SheetAsked = NonNullable<
  paths["/api/plan/lessons/{lesson_id}/sheet"]["get"]["parameters"]["query"]
>;

/** What the sheet of a lesson comes to; the last stays until the next is there. */
export function useSheet(lesson_id: number, query: SheetAsked) {
  return $api.useQuery(
    "get",
    "/api/plan/lessons/{lesson_id}/sheet",
    { params: { path: { lesson_id }, query } },
    { placeholderData: keepPreviousData },
  );
}

/** Earlier lessons, the newest first. */
export const useEarlier = () => $api.useQuery("get", "/api/plan/lessons", {});

/** Plans today's lesson as an earlier one was. */
export const useGiveAgain = () =>
  $api.useMutation("post", "/api/plan/lessons/{lesson_id}/again", useTodayChanged());

export function useToday() {
  return $api.useQuery("get", "/api/plan/today");
}

/** The lesson that would be planned; the last one stays until the next is there. */
export function useProposal(asked: NewLesson) {
  return $api.useQuery(
    "get",
    "/api/plan/lessons/proposal",
    { params: { query: asked } },
    {
      enabled: asked.shape === "words" || asked.new.length > 0,
      placeholderData: keepPreviousData,
    },
  );
}

/** What several children could mend together. */
export function useHabits() {
  return $api.useQuery("get", "/api/plan/habits");
}

/** Whatever changes the lesson of today, the week, or what is taught. */
function useTodayChanged() {
  const queries = useQueryClient();
  return {
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: todayQuery.queryKey }),
        queries.invalidateQueries({ queryKey: ["get", "/api/plan/lessons/proposal"] }),
        queries.invalidateQueries({ queryKey: ["get", "/api/grow/groups"] }),
      ]),
  };
}

export const usePlanLesson = () => $api.useMutation("post", "/api/plan/lessons", useTodayChanged());
export const useDeleteLesson = () =>
  $api.useMutation("delete", "/api/plan/lessons/{lesson_id}", useTodayChanged());
export const useSetLanguage = () =>
  $api.useMutation("put", "/api/plan/language", useTodayChanged());
export const useSetTaught = () => $api.useMutation("put", "/api/plan/taught", useTodayChanged());
export const useCloseLesson = () =>
  $api.useMutation("post", "/api/show/lessons/{lesson_id}/close", useTodayChanged());

/** Sends what the teacher did to a lesson; the answer is the lesson as it is then. */
export function useChangeLesson(id: number) {
  const queries = useQueryClient();
  const sending = $api.useMutation("post", "/api/plan/lessons/{lesson_id}/changes", {
    scope: { id: `lesson ${String(id)}` }, // one after another, in the order they were made
    onSuccess: (lesson: LessonOut) => {
      queries.setQueryData(
        todayQuery.queryKey,
        (today: TodayOut | undefined) =>
          today && {
            ...today,
            lesson: lesson.group ? today.lesson : lesson,
            of_groups: today.of_groups.map((one) => (one.id === lesson.id ? lesson : one)),
          },
      );
    },
  });
  const change = (body: LessonChange) => {
    sending.mutate({ params: { path: { lesson_id: id } }, body });
  };
  return { ...sending, change };
}

export function useGoTo(id: number) {
  const queries = useQueryClient();
  return $api.useMutation("put", "/api/show/lessons/{lesson_id}/place", {
    scope: { id: `place ${String(id)}` },
    onSuccess: () =>
      Promise.all(
        [todayQuery.queryKey, lessonQuery(id).queryKey].map((queryKey) =>
          queries.invalidateQueries({ queryKey, refetchType: "none" }),
        ),
      ),
  });
}

/** A place on the board that ink is kept for: a step, and the letter that it has come round to. */
interface Place {
  kind: StepKind;
  part: string | null;
}

const writtenAt = (lesson_id: number, { kind, part }: Place) => ({
  params: { path: { lesson_id, kind }, query: part === null ? {} : { part } },
});

const writtenQuery = (lesson: number, place: Place) =>
  $api.queryOptions(
    "get",
    "/api/show/lessons/{lesson_id}/written/{kind}",
    writtenAt(lesson, place),
    { staleTime: Infinity },
  );

/** What the teacher wrote on the board in a step. */
export function useWritten(lesson: number, place: Place) {
  return $api.useQuery(
    "get",
    "/api/show/lessons/{lesson_id}/written/{kind}",
    writtenAt(lesson, place),
    { staleTime: Infinity, select: exact<BoardInk> },
  );
}

/** Keeps what is on the board; it stays on the board whether or not that works. */
export function useKeepWritten(lesson: number, place: Place) {
  const queries = useQueryClient();
  return $api.useMutation("put", "/api/show/lessons/{lesson_id}/written/{kind}", {
    scope: { id: `written ${String(lesson)} ${place.kind} ${place.part ?? ""}` },
    onMutate: ({ body }) => {
      queries.setQueryData(writtenQuery(lesson, place).queryKey, body);
    },
  });
}
