/** Sheets made by hand: the list, one of them, its pages; every change is kept at once. */
import { keepPreviousData, useQueryClient } from "@tanstack/react-query";

import { $api } from "./client";

const ALL = ["get", "/api/plan/own-sheets"] as const;
const ONE = "/api/plan/own-sheets/{sheet_id}";
const PAGES = "/api/plan/own-sheets/{sheet_id}/pages";

export const useOwnSheets = () => $api.useQuery("get", "/api/plan/own-sheets");

export const useOwnSheet = (sheet_id: number) =>
  $api.useQuery("get", ONE, { params: { path: { sheet_id } } });

/** What it comes to; the last stays until the next is there. */
export const useOwnSheetPages = (sheet_id: number, each: boolean) =>
  $api.useQuery(
    "get",
    PAGES,
    { params: { path: { sheet_id }, query: each ? { each } : {} } },
    { placeholderData: keepPreviousData },
  );

function useListChanged() {
  const queries = useQueryClient();
  return { onSuccess: () => queries.invalidateQueries({ queryKey: ALL }) };
}

export const useMakeSheet = () =>
  $api.useMutation("post", "/api/plan/own-sheets", useListChanged());
export const useForgetSheet = () => $api.useMutation("delete", ONE, useListChanged());

/** What comes back takes the place of what was known; its pages are asked for anew. */
export function useKeepSheet() {
  const queries = useQueryClient();
  return $api.useMutation("put", ONE, {
    scope: { id: "a sheet" }, // one after another: the last change is what stays
    onSuccess: async (kept) => {
      const path = { sheet_id: kept.id };
      queries.setQueryData(["get", ONE, { params: { path } }], kept);
      await Promise.all([
        queries.invalidateQueries({ queryKey: ["get", PAGES] }),
        queries.invalidateQueries({ queryKey: ALL }),
      ]);
    },
  });
}
