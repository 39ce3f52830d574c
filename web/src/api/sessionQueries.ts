/** Who is signed in: the first account, signing in and out, the password. */
import { useQueryClient } from "@tanstack/react-query";

import { leaveFor, OPENS_ANOTHER } from "./classShown";
import { $api } from "./client";
import type { NewAccountIn } from "./schema";

export const sessionQuery = $api.queryOptions("get", "/api/session", {}, { staleTime: Infinity });

export const SESSION = sessionQuery.queryKey;

export function useSession() {
  return $api.useQuery("get", "/api/session", {}, { staleTime: Infinity });
}

/**
 * With somebody else signed in, or another class open, the page begins anew, at a place if one is
 * given: nothing that was fetched counts any more, and nothing of a child stays in its memory.
 */
export function beginAnew(place?: string) {
  return {
    meta: OPENS_ANOTHER,
    onSuccess: () => {
      leaveFor(place);
    },
  };
}

/** Makes the first account, and signs it in. */
export function useFirstAccount() {
  const make = $api.useMutation("post", "/api/account");
  const signIn = useSignIn();
  return {
    begin: (body: NewAccountIn) => {
      make.mutate(
        { body },
        {
          onSuccess: () => {
            signIn.mutate({ body });
          },
        },
      );
    },
    error: make.error ?? signIn.error,
    isPending: make.isPending || signIn.isPending,
  };
}

export const useSignIn = () => $api.useMutation("post", "/api/session", beginAnew());
/** What is still being fetched would be refused to who is gone: it is let go first. */
export function useSignOut() {
  const queries = useQueryClient();
  return $api.useMutation("delete", "/api/session", {
    ...beginAnew(),
    onMutate: () => queries.cancelQueries(),
  });
}
export const useChangePassword = () => $api.useMutation("put", "/api/school/password");
