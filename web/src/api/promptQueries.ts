/** What a word or a letter is asked for with: the teacher's voice, a picture. */
import { useQueryClient } from "@tanstack/react-query";

import { $api, addressOf } from "./client";

export const usePrompts = () => $api.useQuery("get", "/api/plan/prompts", {});

function useAnew() {
  const queries = useQueryClient();
  return { onSuccess: () => queries.invalidateQueries({ queryKey: ["get", "/api/plan/prompts"] }) };
}

export const useSetPromptTile = () =>
  $api.useMutation("put", "/api/plan/prompts/{text}/tile", useAnew());
export const useSetSound = () =>
  $api.useMutation("put", "/api/plan/prompts/{text}/sound", useAnew());
export const useDeleteSound = () =>
  $api.useMutation("delete", "/api/plan/prompts/{text}/sound", useAnew());

/** Lets the teacher's voice be heard; resolves once it is. */
export function hear(text: string): Promise<void> {
  return new Audio(addressOf("/api/plan/prompts/{text}/sound", { path: { text } })).play();
}
