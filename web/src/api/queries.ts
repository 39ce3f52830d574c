/** Server state: one hook a resource. Lessons and words have files of their own. */
import {
  keepPreviousData,
  type QueryClient,
  queryOptions,
  useMutation,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";

import {
  api,
  type AttemptIn,
  type JudgementIn,
  type OwnWords,
  type SchemeIn,
  type Stage,
  type Style,
} from "./client";
import { keys } from "./keys";

const classroomQuery = queryOptions({
  queryKey: keys.classroom,
  queryFn: api.classroom,
  staleTime: Infinity,
});

const alphabetQuery = queryOptions({
  queryKey: keys.alphabet,
  queryFn: api.alphabet,
  staleTime: Infinity,
});

const letterQuery = (letter: string) =>
  queryOptions({
    queryKey: keys.letter(letter),
    queryFn: () => api.letter(letter),
    staleTime: Infinity,
  });

/**
 * Asks for what the first screen needs while it is still being put together: the class, its
 * letters, and the one that the address names or that comes first.
 */
export async function prefetchFrame(queries: QueryClient, letter: string | undefined) {
  const alphabet = queries.query(alphabetQuery);
  const { letters } = await queries.query(classroomQuery);
  const shown = letter ?? letters[0];
  if (shown) await queries.query(letterQuery(shown));
  await alphabet;
}

export function useAlphabet() {
  return useQuery(alphabetQuery);
}

export function useClassroom() {
  return useQuery(classroomQuery);
}

export function useLetter(letter: string) {
  return useQuery(letterQuery(letter));
}

export function useAttempts(letter: string) {
  return useQuery({ queryKey: keys.attempts(letter), queryFn: () => api.attempts(letter) });
}

export function useGrow() {
  return useQuery({ queryKey: keys.grow, queryFn: api.grow });
}

export function useSetStage() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (stage: Stage) => api.setStage(stage),
    onSuccess: (classroom) => {
      queries.setQueryData(keys.classroom, classroom);
    },
  });
}

export function useSetPupilStage() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ id, stage }: { id: number; stage: Stage | null }) =>
      api.setPupilStage(id, stage),
    onSuccess: () => queries.invalidateQueries({ queryKey: keys.grow }),
  });
}

export function useStyle() {
  return useQuery({ queryKey: keys.style, queryFn: api.style, staleTime: Infinity });
}

/** What a style would look like; the last picture stays until the next one is there. */
export function usePreview(style: Style, words: string[]) {
  return useQuery({
    queryKey: keys.preview(style, words),
    queryFn: () => api.preview(style, words),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
}

/** Setting the style changes every drawing there is. */
export function useSetStyle() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (style: Style) => api.setStyle(style),
    onSuccess: () => queries.invalidateQueries(),
  });
}

export function useLetterPage(letter: string) {
  return useQuery({
    queryKey: keys.letterPage(letter),
    queryFn: () => api.letterPage(letter),
    staleTime: Infinity,
  });
}

/** The teacher's words change what is said on the board as well. */
export function useSetWords() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (words: OwnWords) => api.setWords(words),
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: ["letter page"] }),
        queries.invalidateQueries({ queryKey: ["letter"] }),
      ]),
  });
}

export function useSchemes() {
  return useQuery({ queryKey: keys.schemes, queryFn: api.schemes, staleTime: Infinity });
}

export function useScheme(key: string) {
  return useQuery({
    queryKey: keys.scheme(key),
    queryFn: () => api.scheme(key),
    staleTime: Infinity,
  });
}

/** Whatever changes the list of schemes, or which of them is followed. */
export function useSchemeList<Sent, Body>(mutationFn: (sent: Sent) => Promise<Body>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn,
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: keys.schemes }),
        queries.invalidateQueries({ queryKey: ["letter page"] }),
      ]),
  });
}

/** Keeps a scheme as it now is; the answer is the scheme, checked and counted anew. */
export function useChangeScheme(key: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (scheme: SchemeIn) => api.changeScheme(key, scheme),
    scope: { id: `scheme ${key}` }, // one after another, in the order they were made
    onSuccess: (changed) => {
      queries.setQueryData(keys.scheme(key), changed);
      void queries.invalidateQueries({ queryKey: keys.schemes });
      void queries.invalidateQueries({ queryKey: ["letter page"] });
    },
  });
}

/** A hand brought along or forgotten: everything drawn may change. */
export function useHandList<Sent, Body>(mutationFn: (sent: Sent) => Promise<Body>) {
  const queries = useQueryClient();
  return useMutation({ mutationFn, onSuccess: () => queries.invalidateQueries() });
}

/** What one letter's attempts changing makes stale. */
function useRefresh(letter: string) {
  const queries = useQueryClient();
  return () =>
    Promise.all([
      queries.invalidateQueries({ queryKey: keys.attempts(letter) }),
      queries.invalidateQueries({ queryKey: keys.grow }),
    ]);
}

export function useHandIn(letter: string) {
  const refresh = useRefresh(letter);
  // Not waited for: the verdict is to be seen at once, the lists may follow.
  return useMutation({
    mutationFn: (sent: AttemptIn) => api.handIn(sent),
    onSuccess: () => void refresh(),
  });
}

export function useTakeBack(letter: string) {
  const refresh = useRefresh(letter);
  return useMutation({ mutationFn: api.takeBack, onSuccess: () => void refresh() });
}

export function useJudge(letter: string) {
  const refresh = useRefresh(letter);
  return useMutation({
    mutationFn: ({ id, said }: { id: number; said: JudgementIn | null }) =>
      said ? api.judge(id, said) : api.withdrawJudgement(id),
    onSuccess: refresh,
  });
}
