/** The class list: a first class, children taken in, called otherwise, deleted. */
import { keepPreviousData, useQueryClient } from "@tanstack/react-query";

import { $api, exact } from "./client";
import type { ChoicesOut, InCopiesOut } from "./schema";

/** What a first class is chosen from. */
export function useChoices() {
  return $api.useQuery("get", "/api/classroom/choices", {}, { select: exact<ChoicesOut> });
}

/** What a list says, line by line; what it said before stays until that is known. */
export function useList(text: string, isNew: boolean) {
  return $api.useQuery(
    "post",
    "/api/classroom/list",
    { body: { text, is_new: isNew } },
    { placeholderData: keepPreviousData },
  );
}

/** Nearly every page shows a name. */
function useAllAnew() {
  const queries = useQueryClient();
  return { onSuccess: () => queries.invalidateQueries() };
}

/** Goes on before anything is fetched: with the class there, its first page is gone. */
export function useBegin(goOn: () => void) {
  const { onSuccess } = useAllAnew();
  return $api.useMutation("post", "/api/classroom", {
    onSuccess: () => {
      goOn();
      return onSuccess();
    },
  });
}

export function useTakeIn() {
  return $api.useMutation("post", "/api/classroom/pupils", useAllAnew());
}

export function useChangePupil() {
  return $api.useMutation("put", "/api/classroom/pupils/{pupil_id}", useAllAnew());
}

export const useRoster = () => $api.useQuery("get", "/api/classroom/pupils", {});
export const useTiles = () => $api.useQuery("get", "/api/tiles", {}, { staleTime: Infinity });
export const useSetPresence = () =>
  $api.useMutation("put", "/api/classroom/pupils/{pupil_id}/presence", useAllAnew());
export const useSetTile = () =>
  $api.useMutation("put", "/api/classroom/pupils/{pupil_id}/tile", useAllAnew());
export const useGiveTiles = () => $api.useMutation("post", "/api/classroom/tiles", useAllAnew());
export const useMovePupil = () =>
  $api.useMutation("put", "/api/classroom/pupils/{pupil_id}/class", useAllAnew());

/** Who shows the child shows something else before all is fetched anew: it is there no more. */
export function useForgetPupil(onGone?: (left: InCopiesOut) => void) {
  const { onSuccess } = useAllAnew();
  return $api.useMutation("delete", "/api/classroom/pupils/{pupil_id}", {
    onSuccess: (left) => {
      onGone?.(left);
      return onSuccess();
    },
  });
}

export function useRenewCopies() {
  return $api.useMutation("post", "/api/classroom/copies");
}
