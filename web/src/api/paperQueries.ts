/** Photographs of sheets: brought in, read, looked over, taken into the record. */
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { $api, exact, fetchClient } from "./client";
import type { PageInFull } from "./schema";

const LOOKS_AGAIN_MS = 1000;
const LONGEST_NAME = 60;
const NO_SIGNS = /[\p{C}\p{Zl}\p{Zp}]/gu;

const KEY = ["get", "/api/check/paper"];

/** What was read, and how much waits: looked at again while something does. */
export function usePaper() {
  return $api.useQuery(
    "get",
    "/api/check/paper",
    {},
    { refetchInterval: (query) => (query.state.data?.waiting ? LOOKS_AGAIN_MS : false) },
  );
}

/** A file's own name, as it may be sent. */
export function nameOf(file: File): string {
  return file.name.replace(NO_SIGNS, "").slice(-LONGEST_NAME).trim() || "photograph";
}

/** Sends files one after another: how many are still to be sent, and what failed. */
export function useBringPhotos() {
  const queries = useQueryClient();
  const [left, setLeft] = useState(0);
  const [error, setError] = useState<unknown>();
  const bring = async (files: readonly File[]) => {
    setError(undefined);
    for (const [at, file] of files.entries()) {
      setLeft(files.length - at);
      try {
        await fetchClient.POST("/api/check/paper/photos", {
          params: { query: { name: nameOf(file) } },
          headers: { "Content-Type": "application/octet-stream" },
          // The document calls bytes a string; what is sent is the file itself.
          body: file as unknown as string,
          bodySerializer: (sent) => sent,
        });
      } catch (failed) {
        setError(failed);
        break;
      }
      await queries.invalidateQueries({ queryKey: KEY });
    }
    setLeft(0);
  };
  return { left, error, bring };
}

export function usePage(page_id: number) {
  const page = $api.useQuery("get", "/api/check/paper/pages/{page_id}", {
    params: { path: { page_id } },
  });
  return { ...page, data: page.data && exact<PageInFull>(page.data) };
}

/** What changes a page shows in the list too; what goes into the record, everywhere. */
function useChanged(key?: readonly unknown[]) {
  const queries = useQueryClient();
  return {
    onSettled: () =>
      key ? queries.invalidateQueries({ queryKey: key }) : queries.invalidateQueries(),
  };
}

export const useStopReading = () =>
  $api.useMutation("delete", "/api/check/paper/photos", useChanged(KEY));
export const useSetPupil = () =>
  $api.useMutation("put", "/api/check/paper/pages/{page_id}/pupil", useChanged());
export const useSetCell = () =>
  $api.useMutation("put", "/api/check/paper/pages/{page_id}/cells/{row}/{cell}", useChanged());
export const useReadRow = () =>
  $api.useMutation("post", "/api/check/paper/pages/{page_id}/rows", useChanged());
export const useTakeBackRow = () =>
  $api.useMutation("delete", "/api/check/paper/pages/{page_id}/rows/{row}", useChanged());
export const useTakePage = () =>
  $api.useMutation("post", "/api/check/paper/pages/{page_id}/take", useChanged());
/** What is gone is not asked for again. */
export const useRemovePage = () =>
  $api.useMutation("delete", "/api/check/paper/pages/{page_id}", useChanged(KEY));
