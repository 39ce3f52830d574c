/** The letter that she holds to compare others of its child with, whatever else she looks at. */
import { skipToken, useQuery, useQueryClient } from "@tanstack/react-query";

import type { Key } from "../api/tableQueries";

const HELD = ["held"];

export function useHeld(): readonly [Key | undefined, (key: Key | undefined) => void] {
  const queries = useQueryClient();
  const held = useQuery<Key | null>({
    queryKey: HELD,
    queryFn: skipToken,
    initialData: null,
    staleTime: Infinity,
    gcTime: Infinity,
  });
  const hold = (key: Key | undefined) => {
    queries.setQueryData(HELD, key ?? null);
  };
  return [held.data ?? undefined, hold];
}
