/** How the letters of a class stand, on any day. */
import { keepPreviousData, useQueryClient } from "@tanstack/react-query";

import { $api, exact } from "./client";
import type { MapOut } from "./schema";

/**
 * The map of a day, today's where none is asked for; the one before stays to be seen meanwhile.
 * `alone`: no more than the marks, while a day is still looked for.
 */
export function useClassMap(
  day: string | undefined,
  { alone = false, words = false }: { alone?: boolean; words?: boolean },
) {
  const asked = { ...(day && { day }), ...(alone && { alone }), ...(words && { words }) };
  return $api.useQuery(
    "get",
    "/api/grow/map",
    { params: { query: asked } },
    { placeholderData: keepPreviousData, select: exact<MapOut> },
  );
}

/** All classes of hers, no child named. */
export const useSchoolMap = () => $api.useQuery("get", "/api/school/map", {});

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
