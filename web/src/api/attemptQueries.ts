/** What children wrote, handed in at a desk. */
import { useQueryClient } from "@tanstack/react-query";

import { $api } from "./client";

/** What an attempt that comes or goes makes stale. */
function useRefresh() {
  const queries = useQueryClient();
  return () =>
    Promise.all([
      queries.invalidateQueries({ queryKey: ["get", "/api/check/table"] }),
      queries.invalidateQueries({ queryKey: ["get", "/api/grow/map"] }),
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
