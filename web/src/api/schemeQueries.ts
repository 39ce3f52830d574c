/** Schemes of families: the list, one laid out, and what a teacher does with them. */
import { useQueryClient } from "@tanstack/react-query";

import { $api, exact } from "./client";
import type { FamilyOut, SchemeOut } from "./schema";

const FOR_GOOD = { staleTime: Infinity };

const keyed = (key: string) => ({ params: { path: { key } } });

export function useSchemes() {
  return $api.useQuery("get", "/api/plan/schemes", {}, FOR_GOOD);
}

/** The families that a lesson's letters are in; a parted one as a whole. */
export function useFamiliesOf(letters: string[]) {
  return $api.useQuery(
    "get",
    "/api/plan/families-of",
    { params: { query: { letter: letters } } },
    { select: exact<FamilyOut[]>, enabled: letters.length > 0 },
  );
}

export function useScheme(key: string) {
  return $api.useQuery("get", "/api/plan/schemes/{key}", keyed(key), {
    ...FOR_GOOD,
    select: exact<SchemeOut>,
  });
}

/** Whatever changes the list of schemes, or which of them is followed. */
function useListChanged() {
  const queries = useQueryClient();
  return {
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: ["get", "/api/plan/schemes"] }),
        queries.invalidateQueries({ queryKey: ["get", "/api/plan/letters/{letter}"] }),
        queries.invalidateQueries({ queryKey: ["get", "/api/plan/today"] }),
      ]),
  };
}

export const useFollowScheme = () => $api.useMutation("put", "/api/plan/schemes", useListChanged());
export const useCopyScheme = () => $api.useMutation("post", "/api/plan/schemes", useListChanged());
export const useBringScheme = () =>
  $api.useMutation("post", "/api/plan/files/scheme", useListChanged());
export const useForgetScheme = () =>
  $api.useMutation("delete", "/api/plan/schemes/{key}", useListChanged());

/** Keeps a scheme as it now is; the answer is the scheme, checked and counted anew. */
export function useChangeScheme(key: string) {
  const queries = useQueryClient();
  const { onSuccess } = useListChanged();
  return $api.useMutation("put", "/api/plan/schemes/{key}", {
    scope: { id: `scheme ${key}` }, // one after another, in the order they were made
    onSuccess: (changed) => {
      const { queryKey } = $api.queryOptions("get", "/api/plan/schemes/{key}", keyed(key));
      queries.setQueryData(queryKey, changed);
      void onSuccess();
    },
  });
}

/** Proposals: nothing is kept. */
export const useSplitFamily = () => $api.useMutation("post", "/api/plan/schemes/{key}/split");
export const useProposeOrder = () => $api.useMutation("post", "/api/plan/schemes/{key}/proposal");
