/** Rows, words and sentences: handed in, on the table, judged. */
import { useQueryClient } from "@tanstack/react-query";

import { $api, exact } from "./client";
import type { paths, TextPage } from "./schema";

export type TextsAsked = NonNullable<paths["/api/check/texts"]["get"]["parameters"]["query"]>;

/** The texts on the table, page by page, the newest first. */
export function useTexts(asked: TextsAsked) {
  return $api.useInfiniteQuery(
    "get",
    "/api/check/texts",
    { params: { query: asked } },
    {
      pageParamName: "after",
      initialPageParam: null,
      getNextPageParam: (last) => last.next ?? undefined,
      select: ({ pages }) => ({
        texts: pages.flatMap((page) => exact<TextPage>(page).texts),
        total: pages[0]?.total ?? 0,
      }),
    },
  );
}

/** What a text that comes, goes or is judged makes stale; its letters lie on their tables too. */
function useRefresh() {
  const queries = useQueryClient();
  return () =>
    Promise.all(
      [
        "/api/check/texts",
        "/api/check/letters/{letter}/attempts",
        "/api/grow",
        "/api/plan/today",
      ].map((path) => queries.invalidateQueries({ queryKey: ["get", path] })),
    );
}

export function useHandInText() {
  const refresh = useRefresh();
  return $api.useMutation("post", "/api/write/texts", { onSuccess: () => void refresh() });
}

export function useTakeBackText() {
  const refresh = useRefresh();
  return $api.useMutation("delete", "/api/write/texts/{text_id}", {
    onSuccess: () => void refresh(),
  });
}

export function useJudgeText() {
  return $api.useMutation("put", "/api/check/texts/{text_id}/judgement", {
    onSuccess: useRefresh(),
  });
}

export function useWithdrawTextJudgement() {
  return $api.useMutation("delete", "/api/check/texts/{text_id}/judgement", {
    onSuccess: useRefresh(),
  });
}
