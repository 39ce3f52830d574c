/** Words: for a lesson, as games, and the teacher's own. */
import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { api } from "./client";
import { keys } from "./keys";

export function usePicker(part: string, untaught: number) {
  return useQuery({
    queryKey: keys.picker(part, untaught),
    queryFn: () => api.picker(part, untaught),
    placeholderData: keepPreviousData,
  });
}

export function useSentences(part: string) {
  return useQuery({ queryKey: keys.sentences(part), queryFn: () => api.sentences(part) });
}

/** A chain of words from one to another; or without an end, of so many words. */
export function useChain(start: string, end: string, length: number, allLetters: boolean) {
  return useQuery({
    queryKey: keys.chain(start, end, length, allLetters),
    queryFn: () =>
      end === "" ? api.chain(start, length, allLetters) : api.chainTo(start, end, allLetters),
    enabled: start !== "" || end === "",
    placeholderData: keepPreviousData,
  });
}

export function useMissingPairs(allLetters: boolean) {
  return useQuery({
    queryKey: keys.missingPairs(allLetters),
    queryFn: () => api.missingPairs(allLetters),
    placeholderData: keepPreviousData,
  });
}

export function useOwnWords() {
  return useQuery({ queryKey: keys.ownWords, queryFn: api.ownWords });
}

/** The teacher's words go into every list of words. */
function useChangeOfWords<Sent, Body>(mutationFn: (sent: Sent) => Promise<Body>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn,
    onSuccess: () => queries.invalidateQueries({ queryKey: ["words"] }),
  });
}

export const useAddOwnWord = () => useChangeOfWords(api.addOwnWord);
export const useRemoveOwnWord = () => useChangeOfWords(api.removeOwnWord);
