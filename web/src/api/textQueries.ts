/** Rows, words and sentences, handed in at a desk. */
import { useQueryClient } from "@tanstack/react-query";

import { $api } from "./client";

/** What a text that comes or goes makes stale; its letters lie on the table too. */
function useRefresh() {
  const queries = useQueryClient();
  return () =>
    Promise.all(
      ["/api/check/table", "/api/grow/map", "/api/plan/today"].map((path) =>
        queries.invalidateQueries({ queryKey: ["get", path] }),
      ),
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
