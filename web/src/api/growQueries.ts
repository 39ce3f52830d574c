/** How the letters of a class stand, on any day. */
import { keepPreviousData, useQueryClient } from "@tanstack/react-query";

import { $api } from "./client";

/** The map of a day, today's where none is asked for; the one before stays to be seen meanwhile. */
export function useClassMap(day: string | undefined) {
  return $api.useQuery(
    "get",
    "/api/grow/map",
    { params: { query: day ? { day } : {} } },
    { placeholderData: keepPreviousData },
  );
}

export function useGroups() {
  return $api.useQuery("get", "/api/grow/groups");
}

export function useKeepApart() {
  const queries = useQueryClient();
  return $api.useMutation("put", "/api/grow/apart", {
    onSuccess: (groups) => {
      queries.setQueryData($api.queryOptions("get", "/api/grow/groups").queryKey, groups);
    },
  });
}
