/** Hands that are written here: their letters, what was understood of them, what stands. */
import { useQueryClient } from "@tanstack/react-query";

import { $api, exact } from "./client";
import type { OwnHandOut, OwnLetterOut } from "./schema";

const HANDS = ["get", "/api/plan/own-hands"] as const;
const HAND = "/api/plan/own-hands/{name}";
const LETTER = "/api/plan/own-hands/{name}/letters/{letter}";

export const useOwnHands = () => $api.useQuery("get", "/api/plan/own-hands");

export function useOwnHand(name: string) {
  const hand = $api.useQuery("get", HAND, { params: { path: { name } } });
  return { ...hand, data: hand.data && exact<OwnHandOut>(hand.data) };
}

export function useOwnLetter(name: string, letter: string) {
  const found = $api.useQuery("get", LETTER, { params: { path: { name, letter } } });
  return { ...found, data: found.data && exact<OwnLetterOut>(found.data) };
}

export const useOwnJoins = (name: string) =>
  $api.useQuery("get", "/api/plan/own-hands/{name}/joins", { params: { path: { name } } });

export function useBeginHand() {
  const queries = useQueryClient();
  return $api.useMutation("post", "/api/plan/own-hands", {
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: HANDS }),
        queries.invalidateQueries({ queryKey: ["post", "/api/plan/preview"] }),
      ]),
  });
}

/** What comes back of a letter takes the place of what was known; of the hand it changes a part. */
function useLetterChanged(name: string, letter: string) {
  const queries = useQueryClient();
  return {
    onSuccess: (found: unknown) => {
      queries.setQueryData(["get", LETTER, { params: { path: { name, letter } } }], found);
      void queries.invalidateQueries({ queryKey: ["get", HAND, { params: { path: { name } } }] });
    },
  };
}

export const useWriteSample = (name: string, letter: string) =>
  $api.useMutation("post", `${LETTER}/samples`, useLetterChanged(name, letter));
/** What would be understood of what is being written; nothing is kept. */
export const useTry = () => $api.useMutation("post", `${LETTER}/tried`);
export const useTakeSampleBack = (name: string, letter: string) =>
  $api.useMutation("delete", `${LETTER}/samples/{sample_id}`, useLetterChanged(name, letter));
export const useMend = () => $api.useMutation("post", `${LETTER}/mended`);

/** What stands shows wherever letters are drawn: if the class writes this hand, everywhere. */
function useStandsOtherwise(name: string, letter: string) {
  const queries = useQueryClient();
  const changed = useLetterChanged(name, letter);
  return {
    onSuccess: async (found: unknown) => {
      await queries.invalidateQueries({
        predicate: ({ queryKey: [, path] }) => path !== LETTER && path !== "/api/session",
      });
      changed.onSuccess(found);
    },
  };
}

export const useAccept = (name: string, letter: string) =>
  $api.useMutation("put", LETTER, useStandsOtherwise(name, letter));
export const useGiveUp = (name: string, letter: string) =>
  $api.useMutation("delete", LETTER, useStandsOtherwise(name, letter));

export function useFit() {
  const queries = useQueryClient();
  return $api.useMutation("post", "/api/plan/own-hands/{name}/fitted", {
    onSuccess: () => queries.invalidateQueries(),
  });
}

export function useWriteWord(name: string) {
  const queries = useQueryClient();
  return $api.useMutation("post", "/api/plan/own-hands/{name}/words", {
    onSuccess: () =>
      queries.invalidateQueries({ queryKey: ["get", HAND, { params: { path: { name } } }] }),
  });
}
