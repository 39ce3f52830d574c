/** From print to joined: the plan, what is taught of it. */
import { useQueryClient } from "@tanstack/react-query";

import { $api, exact } from "./client";
import type { JoiningOut } from "./schema";

const joiningQuery = $api.queryOptions("get", "/api/plan/joining");

export function useJoining() {
  return $api.useQuery("get", "/api/plan/joining", {}, { select: exact<JoiningOut> });
}

/** What comes next, and which joins the board makes, follow the plan. */
function useJoiningChanged() {
  const queries = useQueryClient();
  return {
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: joiningQuery.queryKey }),
        queries.invalidateQueries({ queryKey: ["get", "/api/plan/today"] }),
        queries.invalidateQueries({ queryKey: ["get", "/api/show/text"] }),
      ]),
  };
}

export const useSetJoining = () =>
  $api.useMutation("put", "/api/plan/joining", useJoiningChanged());
export const useComputedJoining = () =>
  $api.useMutation("delete", "/api/plan/joining", useJoiningChanged());
export const useSetStageTaught = () =>
  $api.useMutation("post", "/api/plan/joining/taught", useJoiningChanged());
