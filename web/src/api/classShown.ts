/**
 * Which class this page shows. Every change says so, for a second page may have opened another since:
 * what is meant for one class is not done to another.
 */
import type { QueryClient } from "@tanstack/react-query";
import type { Middleware } from "openapi-fetch";

import { $api, ProblemError } from "./client";
import type { ClassOut } from "./schema";

export const classroomQuery = $api.queryOptions(
  "get",
  "/api/classroom",
  {},
  { staleTime: Infinity },
);

/** A change by which another class is open afterwards; it says itself where the page begins anew. */
export const OPENS_ANOTHER = { opensAnother: true };

const MOVED = "first-loop-another-class";
const HEADER = "First-Loop-Class";
const ANOTHER_IS_OPEN = "Another class is open";

/** Says with every change which class is shown. */
export function namesItsClass(queries: QueryClient): Middleware {
  return {
    onRequest({ request }) {
      const shown = queries.getQueryData<ClassOut>(classroomQuery.queryKey);
      if (shown && request.method !== "GET") request.headers.set(HEADER, String(shown.id));
      return request;
    },
  };
}

/** Whether something was not done because another class is open by now. */
export const wasForAnother = (error: unknown) =>
  error instanceof ProblemError && error.status === 409 && error.title === ANOTHER_IS_OPEN;

let isLeaving = false;

/** The page begins anew: nothing that was fetched counts any more. */
export function leaveFor(place?: string) {
  isLeaving = true;
  if (place === undefined) window.location.reload();
  else window.location.assign(place);
}

/** Another class was opened elsewhere: the page shows that one from now on, and says so. */
export function showTheOpenClass() {
  if (isLeaving) return;
  sessionStorage.setItem(MOVED, "yes");
  leaveFor("/");
}

/** The same, where it is only heard of: it may be this page that is opening another. */
export function followTheOpenClass(queries: QueryClient) {
  const mine = queries.isMutating({
    predicate: ({ options }) => options.meta?.opensAnother === true,
  });
  if (mine === 0) showTheOpenClass();
}

/** Whether this page began anew because another class was opened elsewhere. */
export const WAS_MOVED = sessionStorage.getItem(MOVED) !== null;
sessionStorage.removeItem(MOVED);
