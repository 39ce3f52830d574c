/** The table: what lies on it, each thing with its ink when it is seen, and words on many at once. */
import {
  type QueryClient,
  keepPreviousData,
  useMutation,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";

import { $api, exact, fetchClient } from "./client";
import type {
  AttemptOut,
  CardOut,
  CloserOut,
  JudgementOut,
  paths,
  SaidIn,
  TableOut,
  TextOut,
  ThingsOut,
} from "./schema";

export type TableAsked = NonNullable<paths["/api/check/table"]["get"]["parameters"]["query"]>;

/** Something on the table, by its kind and id. */
export type Key = `attempt ${number}` | `text ${number}`;

export type Thing = { kind: "attempt"; attempt: AttemptOut } | { kind: "text"; text: TextOut };

export function keyOf({ attempt_id, text_id }: Pick<SaidIn, "attempt_id" | "text_id">): Key {
  return attempt_id ? `attempt ${attempt_id}` : `text ${Number(text_id)}`;
}

export function aboutOf(key: Key): Pick<SaidIn, "attempt_id" | "text_id"> {
  const [kind, id] = key.split(" ");
  return kind === "text" ? { text_id: Number(id) } : { attempt_id: Number(id) };
}

/** What lies there stays to be seen while something else is asked for. */
export function useTable(asked: TableAsked) {
  return $api.useQuery(
    "get",
    "/api/check/table",
    { params: { query: asked } },
    { placeholderData: keepPreviousData },
  );
}

export function useCodes() {
  return $api.useQuery("get", "/api/check/codes", {}, { staleTime: Infinity });
}

/** One thing with its ink: asked for together with all others that come into sight with it. */
export function useThing(key: Key | undefined) {
  return useQuery({
    queryKey: ["thing", key],
    queryFn: () => (key ? fetched(key) : Promise.reject(new Error("nothing is asked for"))),
    enabled: key !== undefined,
    staleTime: Infinity,
  });
}

export function useCloser(attempt_id: number) {
  return $api.useQuery(
    "get",
    "/api/check/attempts/{attempt_id}/closer",
    { params: { path: { attempt_id } } },
    { select: exact<CloserOut> },
  );
}

export function useWordsOnText(text_id: number) {
  return $api.useQuery(
    "get",
    "/api/check/texts/{text_id}/words",
    { params: { path: { text_id } } },
    { select: exact<JudgementOut[]> },
  );
}

export function usePair(pupil_id: number, letter: string) {
  return $api.useQuery("get", "/api/check/pupils/{pupil_id}/letters/{letter}/pair", {
    params: { path: { pupil_id, letter } },
  });
}

/** Says words on things; what lies on the table shows them at once, where it lies. */
export function useSay() {
  const queries = useQueryClient();
  return useMutation({
    // One after the other, in the order in which they were said: the last one stands.
    scope: { id: "words" },
    mutationFn: async ({ words, many = false }: { words: SaidIn[]; many?: boolean }) => {
      const { data } = await fetchClient.POST("/api/check/words", { body: { words, many } });
      return exact<ThingsOut>(data);
    },
    onSuccess: (said) => {
      takeIn(queries, said);
    },
  });
}

function takeIn(queries: QueryClient, said: ThingsOut) {
  const things = [...said.attempts.map(ofAttempt), ...said.texts.map(ofText)];
  const held = new Map<Key, Thing>();
  for (const thing of things) {
    queries.setQueryData(["thing", keyOfThing(thing)], thing);
    held.set(keyOfThing(thing), thing);
  }
  queries.setQueriesData<TableOut>(
    { queryKey: ["get", "/api/check/table"] },
    (table) =>
      table && { ...table, cards: table.cards.map((card) => asHeld(card, held.get(keyOf(card)))) },
  );
  for (const path of STALE) void queries.invalidateQueries({ queryKey: ["get", path] });
}

/** What rests on words; the table itself stays as it lies until something else is asked for. */
const STALE = [
  "/api/check/attempts/{attempt_id}/closer",
  "/api/check/texts/{text_id}/words",
  "/api/check/trust",
  "/api/grow/map",
  "/api/plan/today",
];

function asHeld(card: CardOut, thing: Thing | undefined): CardOut {
  if (!thing) return card;
  const { held, judgement } = thing.kind === "text" ? thing.text : thing.attempt;
  const checked = thing.kind === "text" ? thing.text.verdict : thing.attempt.checked;
  const words = Object.values(judgement?.findings ?? {});
  return {
    ...card,
    ...held,
    judged: judgement !== null,
    set_aside: judgement?.set_aside ?? false,
    overruled:
      judgement !== null &&
      (words.some((word) => word !== "so") ||
        (["direction", "size", "shape"] as const).some((name) => held[name] !== checked[name])),
  };
}

const ofAttempt = (attempt: AttemptOut): Thing => ({ kind: "attempt", attempt });
const ofText = (text: TextOut): Thing => ({ kind: "text", text });

export function keyOfThing(thing: Thing): Key {
  return thing.kind === "text" ? `text ${thing.text.id}` : `attempt ${thing.attempt.id}`;
}

/** How long what comes into sight waits for what comes with it; how many are asked for at once. */
const WAITS_MS = 10;
const AT_ONCE = 60;

interface Waiting {
  key: Key;
  found: (thing: Thing) => void;
  failed: (error: unknown) => void;
}

let waiting: Waiting[] = [];

function fetched(key: Key): Promise<Thing> {
  return new Promise((found, failed) => {
    if (waiting.length === 0) setTimeout(fetchAll, WAITS_MS);
    waiting.push({ key, found, failed });
  });
}

function fetchAll() {
  const now = waiting;
  waiting = [];
  for (let at = 0; at < now.length; at += AT_ONCE) void fetchSome(now.slice(at, at + AT_ONCE));
}

async function fetchSome(asked: readonly Waiting[]) {
  try {
    const about = asked.map(({ key }) => aboutOf(key));
    const { data } = await fetchClient.GET("/api/check/things", {
      params: {
        query: {
          attempt: about.flatMap(({ attempt_id }) => attempt_id ?? []),
          text: about.flatMap(({ text_id }) => text_id ?? []),
        },
      },
    });
    const { attempts, texts } = exact<ThingsOut>(data);
    const things = [...attempts.map(ofAttempt), ...texts.map(ofText)];
    const byKey = new Map(things.map((thing) => [keyOfThing(thing), thing]));
    for (const { key, found, failed } of asked) {
      const thing = byKey.get(key);
      if (thing) found(thing);
      else failed(new Error("This is not there any more."));
    }
  } catch (error) {
    for (const { failed } of asked) failed(error);
  }
}
