/** How far the checker is trusted here, and sets that are judged blind. */
import { useQueryClient } from "@tanstack/react-query";

import { $api, exact } from "./client";
import type { BlindLetterOut, SetsOut } from "./schema";

export function useTrust() {
  return $api.useQuery("get", "/api/check/trust");
}

export function useCountInFull() {
  const queries = useQueryClient();
  return $api.useMutation("put", "/api/check/trust/{code}", {
    // What is told first changes wherever it is told.
    onSuccess: () => queries.invalidateQueries(),
  });
}

export function useSets() {
  return $api.useQuery("get", "/api/check/sets", {}, { select: exact<SetsOut> });
}

/** What a set that comes, goes or is judged makes stale. */
function useRefresh() {
  const queries = useQueryClient();
  return () =>
    Promise.all(
      ["/api/check/sets", "/api/blind/sets", "/api/check/table", "/api/check/trust"].map((path) =>
        queries.invalidateQueries({ queryKey: ["get", path] }),
      ),
    );
}

export function useMakeSet() {
  return $api.useMutation("post", "/api/check/sets", { onSuccess: useRefresh() });
}

export function useDeleteSet() {
  return $api.useMutation("delete", "/api/check/sets/{set_id}", { onSuccess: useRefresh() });
}

export function useSetsToJudge() {
  return $api.useQuery("get", "/api/blind/sets");
}

export function useBlindLetters(set_id: number) {
  return $api.useQuery(
    "get",
    "/api/blind/sets/{set_id}",
    { params: { path: { set_id } } },
    { select: exact<BlindLetterOut[]> },
  );
}

export function useSeeBlind() {
  const refresh = useRefresh();
  return $api.useMutation("put", "/api/blind/sets/{set_id}/letters/{attempt_id}", {
    onSuccess: () => void refresh(),
  });
}
