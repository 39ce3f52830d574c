/** Words: for a lesson, as games, and the teacher's own. */
import { keepPreviousData, useQueryClient } from "@tanstack/react-query";

import { $api } from "./client";

export function usePicker(part: string, untaught: number) {
  return $api.useQuery(
    "get",
    "/api/plan/picker",
    { params: { query: { new: part, untaught } } },
    { placeholderData: keepPreviousData },
  );
}

export function useSentences(part: string) {
  return $api.useQuery("get", "/api/plan/sentences", { params: { query: { new: part } } });
}

export function usePhrases(part: string) {
  return $api.useQuery("get", "/api/plan/phrases", { params: { query: { new: part } } });
}

/** A chain of so many words; from a word, or if that is empty from wherever there is one. */
export function useChain(
  start: string,
  { length, back, all_letters }: { length: number; back: boolean; all_letters: boolean },
  enabled: boolean,
) {
  return $api.useQuery(
    "get",
    "/api/plan/chain",
    { params: { query: { start: start || null, length, back, all_letters } } },
    { enabled, placeholderData: keepPreviousData },
  );
}

/** The shortest chain from one word to another. */
export function useChainTo(start: string, end: string, all_letters: boolean, enabled: boolean) {
  return $api.useQuery(
    "get",
    "/api/plan/chain/{end}",
    { params: { path: { end }, query: { start, all_letters } } },
    { enabled, placeholderData: keepPreviousData },
  );
}

export function useMissingPairs(all_letters: boolean) {
  return $api.useQuery(
    "get",
    "/api/plan/missing-pairs",
    { params: { query: { all_letters } } },
    { placeholderData: keepPreviousData },
  );
}

export function useOwnWords() {
  return $api.useQuery("get", "/api/plan/own-words");
}

/** The teacher's words go into every list of words. */
function useWordsChanged() {
  const queries = useQueryClient();
  const lists = ["picker", "chain", "chain/{end}", "missing-pairs", "own-words", "sentences"];
  return {
    onSuccess: () =>
      Promise.all(
        lists.map((list) => queries.invalidateQueries({ queryKey: ["get", `/api/plan/${list}`] })),
      ),
  };
}

export const useAddOwnWord = () =>
  $api.useMutation("post", "/api/plan/own-words", useWordsChanged());
export const useRemoveOwnWord = () =>
  $api.useMutation("delete", "/api/plan/own-words/{text}", useWordsChanged());
