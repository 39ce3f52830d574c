/** Who is signed in: the first account, signing in and out, the password. */
import { useQueryClient } from "@tanstack/react-query";

import { $api } from "./client";

export const sessionQuery = $api.queryOptions("get", "/api/session", {}, { staleTime: Infinity });

export const SESSION = sessionQuery.queryKey;

export function useSession() {
  return $api.useQuery("get", "/api/session", {}, { staleTime: Infinity });
}

/**
 * With somebody else signed in, or another class open, nothing that was fetched counts. Who asked
 * goes on first, for her screen goes with the rest; who is signed in, and whether there is a class,
 * is asked before anything of it is.
 */
export function useAllElse(goOn?: () => void) {
  const queries = useQueryClient();
  return {
    onSuccess: async () => {
      goOn?.();
      await queries.invalidateQueries({ queryKey: SESSION });
      await queries.resetQueries({ predicate: ({ queryKey }) => queryKey[1] !== SESSION[1] });
    },
  };
}

export const useMakeAccount = () => $api.useMutation("post", "/api/account");
export const useSignIn = () => $api.useMutation("post", "/api/session", useAllElse());
export const useSignOut = () => $api.useMutation("delete", "/api/session", useAllElse());
export const useChangePassword = () => $api.useMutation("put", "/api/school/password");
