/** A teacher's classes, her colleagues, and what holds for the whole school. */
import { useQueryClient } from "@tanstack/react-query";

import { $api } from "./client";
import { useAllElse } from "./sessionQueries";

export const useHerClasses = () => $api.useQuery("get", "/api/school/classes", {});
export const useSchool = () => $api.useQuery("get", "/api/school", {});
export const useStaff = () => $api.useQuery("get", "/api/classroom/staff", {});

function useAllAnew() {
  const queries = useQueryClient();
  return { onSuccess: () => queries.invalidateQueries() };
}

export const useOpenClass = (goOn: () => void) =>
  $api.useMutation("put", "/api/school/open", useAllElse(goOn));
export const useOpenDemo = (goOn: () => void) =>
  $api.useMutation("post", "/api/classroom/demo", useAllElse(goOn));
export const useNewYear = (goOn: () => void) =>
  $api.useMutation("post", "/api/classroom/new-year", useAllElse(goOn));
export const useDeleteClass = (goOn: () => void) =>
  $api.useMutation("delete", "/api/classroom", useAllElse(goOn));
export const useHandOver = () => $api.useMutation("put", "/api/classroom/teacher", useAllElse());

export const useRenameClass = () => $api.useMutation("put", "/api/classroom", useAllAnew());
export const useSetZone = () => $api.useMutation("put", "/api/school/zone", useAllAnew());
export const useAddColleague = () =>
  $api.useMutation("post", "/api/school/colleagues", useAllAnew());
export const useAddHelper = () => $api.useMutation("post", "/api/classroom/helpers", useAllAnew());
export const useDropHelper = () =>
  $api.useMutation("delete", "/api/classroom/helpers/{account_id}", useAllAnew());
