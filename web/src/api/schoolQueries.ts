/** A teacher's classes, her colleagues, and what holds for the whole school. */
import { useQueryClient } from "@tanstack/react-query";

import { $api } from "./client";
import { beginAnew } from "./sessionQueries";

export const useHerClasses = () => $api.useQuery("get", "/api/school/classes", {});
export const useSchool = () => $api.useQuery("get", "/api/school", {});
export const useStaff = () => $api.useQuery("get", "/api/classroom/staff", {});

function useAllAnew() {
  const queries = useQueryClient();
  return { onSuccess: () => queries.invalidateQueries() };
}

export const useOpenClass = () =>
  $api.useMutation("put", "/api/school/open", beginAnew("/plan/today"));
export const useOpenDemo = () =>
  $api.useMutation("post", "/api/classroom/demo", beginAnew("/plan/today"));
export const useNewYear = () =>
  $api.useMutation("post", "/api/classroom/new-year", beginAnew("/plan/class"));
export const useDeleteClass = () => $api.useMutation("delete", "/api/classroom", beginAnew("/"));
export const useHandOver = () => $api.useMutation("put", "/api/classroom/teacher", beginAnew("/"));

export const useRenameClass = () => $api.useMutation("put", "/api/classroom", useAllAnew());
export const useSetZone = () => $api.useMutation("put", "/api/school/zone", useAllAnew());
export const useAddColleague = () =>
  $api.useMutation("post", "/api/school/colleagues", useAllAnew());
export const useAddHelper = () => $api.useMutation("post", "/api/classroom/helpers", useAllAnew());
export const useDropHelper = () =>
  $api.useMutation("delete", "/api/classroom/helpers/{account_id}", useAllAnew());
