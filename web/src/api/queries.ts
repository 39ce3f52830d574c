/** Server state: a thin hook a resource. Attempts, schemes, lessons and words have their own files. */
import { keepPreviousData, type QueryClient, useQueryClient } from "@tanstack/react-query";

import { classroomQuery } from "./classShown";
import { $api, exact } from "./client";
import { sessionQuery } from "./sessionQueries";
import type {
  Code,
  CustomsOut,
  LetterDrawing,
  LetterGroup,
  LetterPage,
  PairSlips,
  Preview,
  StyleIn,
} from "./schema";

const FOR_GOOD = { staleTime: Infinity };

const alphabetQuery = $api.queryOptions("get", "/api/show/alphabet", {}, FOR_GOOD);

const letterQuery = (letter: string) =>
  $api.queryOptions(
    "get",
    "/api/show/letters/{letter}",
    { params: { path: { letter } } },
    FOR_GOOD,
  );

/**
 * Asks for what the first screen needs while it is still being put together: the class, its
 * letters, and the one that the address names or that comes first.
 */
export async function prefetchFrame(queries: QueryClient, letter: string | undefined) {
  const { state, has_class } = await queries.query(sessionQuery);
  if (state === "new" || state === "out" || !has_class) return;
  const alphabet = queries.query(alphabetQuery);
  const { letters } = await queries.query(classroomQuery);
  const shown = letter ?? letters[0];
  if (shown) await queries.query(letterQuery(shown));
  await alphabet;
}

export function useClassroom() {
  return $api.useQuery("get", "/api/classroom", {}, FOR_GOOD);
}

export function useAlphabet() {
  return $api.useQuery(
    "get",
    "/api/show/alphabet",
    {},
    { ...FOR_GOOD, select: exact<LetterGroup[]> },
  );
}

export function useLetter(letter: string) {
  return $api.useQuery(
    "get",
    "/api/show/letters/{letter}",
    { params: { path: { letter } } },
    { ...FOR_GOOD, select: exact<LetterDrawing> },
  );
}

/** A letter's page; of a lesson that mends a habit, with that slip first. */
export function useLetterPage(letter: string, habit: Code | null = null) {
  return $api.useQuery(
    "get",
    "/api/plan/letters/{letter}",
    { params: { path: { letter }, query: habit === null ? {} : { habit } } },
    { ...FOR_GOOD, select: exact<LetterPage> },
  );
}

/** What goes wrong in a pair of letters. */
export function usePairSlips(pair: string) {
  return $api.useQuery(
    "get",
    "/api/plan/pairs/{pair}",
    { params: { path: { pair } } },
    { ...FOR_GOOD, select: exact<PairSlips> },
  );
}

export function useSetStage() {
  const queries = useQueryClient();
  return $api.useMutation("put", "/api/classroom/stage", {
    onSuccess: (classroom) => {
      queries.setQueryData(classroomQuery.queryKey, classroom);
    },
  });
}

export function useStyle() {
  return $api.useQuery("get", "/api/plan/style", {}, FOR_GOOD);
}

/** What a style would look like; the last picture stays until the next one is there. */
export function usePreview(style: StyleIn, words: string[]) {
  return $api.useQuery(
    "post",
    "/api/plan/preview",
    { body: { style, words } },
    { ...FOR_GOOD, placeholderData: keepPreviousData, select: exact<Preview> },
  );
}

/** Whatever changes how the class writes changes every drawing there is. */
function useRedraw() {
  const queries = useQueryClient();
  return { onSuccess: () => queries.invalidateQueries() };
}

export const useSetStyle = () => $api.useMutation("put", "/api/plan/style", useRedraw());

export function useCustoms() {
  return $api.useQuery("get", "/api/plan/customs", {}, { ...FOR_GOOD, select: exact<CustomsOut> });
}

/** What the class does in its own way is told in its lessons, and parts its families. */
export const useSetCustoms = () => $api.useMutation("put", "/api/plan/customs", useRedraw());

export const useBringHand = () => $api.useMutation("post", "/api/plan/files/hand", useRedraw());
export const useForgetHand = () =>
  $api.useMutation("delete", "/api/plan/files/hand/{name}", useRedraw());

/** The teacher's phrases are said on the board as well. */
export function useSetPhrase() {
  const queries = useQueryClient();
  return $api.useMutation("put", "/api/plan/phrases", {
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: ["get", "/api/plan/letters/{letter}"] }),
        queries.invalidateQueries({ queryKey: ["get", "/api/show/letters/{letter}"] }),
        queries.invalidateQueries({ queryKey: ["get", "/api/show/text"] }),
      ]),
  });
}
