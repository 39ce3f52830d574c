/** What children wrote: on the table, handed in, judged; and how their letters stand. */
import { useQueryClient } from "@tanstack/react-query";

import { $api, exact } from "./client";
import type { AttemptPage } from "./schema";

export interface TableAsked {
  pupil?: number;
  newest?: boolean;
  unjudged?: boolean;
  to_mend?: boolean;
}

/** The letters on the table, page by page, the newest first. */
export function useTable(letter: string, asked: TableAsked) {
  return $api.useInfiniteQuery(
    "get",
    "/api/check/letters/{letter}/attempts",
    { params: { path: { letter }, query: asked } },
    {
      pageParamName: "after",
      initialPageParam: null,
      getNextPageParam: (last) => last.next ?? undefined,
      select: ({ pages }) => ({
        attempts: pages.flatMap((page) => exact<AttemptPage>(page).attempts),
        total: pages[0]?.total ?? 0,
        family: pages[0]?.family ?? null,
      }),
    },
  );
}

export function useGrow() {
  return $api.useQuery("get", "/api/grow");
}

/** What an attempt that comes, goes or is judged makes stale. */
function useRefresh() {
  const queries = useQueryClient();
  return () =>
    Promise.all([
      queries.invalidateQueries({ queryKey: ["get", "/api/check/letters/{letter}/attempts"] }),
      queries.invalidateQueries({ queryKey: ["get", "/api/grow"] }),
      queries.invalidateQueries({ queryKey: ["get", "/api/plan/today"] }),
    ]);
}

export function useHandIn() {
  const refresh = useRefresh();
  // Not waited for: the verdict is to be seen at once, the lists may follow.
  return $api.useMutation("post", "/api/write/attempts", { onSuccess: () => void refresh() });
}

export function useTakeBack() {
  const refresh = useRefresh();
  return $api.useMutation("delete", "/api/write/attempts/{attempt_id}", {
    onSuccess: () => void refresh(),
  });
}

export function useJudge() {
  return $api.useMutation("put", "/api/check/attempts/{attempt_id}/judgement", {
    onSuccess: useRefresh(),
  });
}

export function useWithdrawJudgement() {
  return $api.useMutation("delete", "/api/check/attempts/{attempt_id}/judgement", {
    onSuccess: useRefresh(),
  });
}
