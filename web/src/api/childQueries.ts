/** One child: its page, what it gets, what its teacher saw and noted. */
import { useQueryClient } from "@tanstack/react-query";

import { $api } from "./client";
import type { GetsOut, PupilOut } from "./schema";

export function useChildPage(pupil_id: number) {
  return $api.useQuery("get", "/api/grow/children/{pupil_id}", { params: { path: { pupil_id } } });
}

/** What is sent of what a child gets. */
export function getsIn({ lines, fewer, more_help, model_side, stage }: GetsOut) {
  return { lines, fewer, more_help, model_side, stage };
}

/** What a child gets shows wherever the child is. */
export function useSetGets({ id }: PupilOut) {
  const queries = useQueryClient();
  return $api.useMutation("put", "/api/classroom/pupils/{pupil_id}/gets", {
    scope: { id: `gets ${String(id)}` },
    onSuccess: () => queries.invalidateQueries(),
  });
}

const careQuery = (pupil_id: number) =>
  $api.queryOptions("get", "/api/grow/children/{pupil_id}/care", {
    params: { path: { pupil_id } },
  });

export function useCare(pupil_id: number) {
  return $api.useQuery("get", "/api/grow/children/{pupil_id}/care", {
    params: { path: { pupil_id } },
  });
}

/** Whose flags are to be looked at again. */
export const useToLookAt = () => $api.useQuery("get", "/api/grow/care");

function useCareChanged(pupil_id: number) {
  const queries = useQueryClient();
  return {
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: careQuery(pupil_id).queryKey }),
        queries.invalidateQueries({ queryKey: ["get", "/api/grow/care"] }),
      ]),
  };
}

export const useSetFlag = (pupil: number) =>
  $api.useMutation("post", "/api/grow/children/{pupil_id}/care/flags", useCareChanged(pupil));
export const useChangeFlag = (pupil: number) =>
  $api.useMutation("put", "/api/grow/care/flags/{flag_id}", useCareChanged(pupil));
export const useRemoveFlag = (pupil: number) =>
  $api.useMutation("delete", "/api/grow/care/flags/{flag_id}", useCareChanged(pupil));
export const useAddNote = (pupil: number) =>
  $api.useMutation("post", "/api/grow/children/{pupil_id}/care/notes", useCareChanged(pupil));
export const useChangeNote = (pupil: number) =>
  $api.useMutation("put", "/api/grow/care/notes/{note_id}", useCareChanged(pupil));
export const useRemoveNote = (pupil: number) =>
  $api.useMutation("delete", "/api/grow/care/notes/{note_id}", useCareChanged(pupil));
