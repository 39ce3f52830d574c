/** The pad in its lesson: how it comes in, what it is to do, what it is called to, how it goes out. */
import { useCallback, useEffect, useRef, useState } from "react";

import { ProblemError } from "../api/client";
import * as calls from "../api/padCalls";
import type { JoinedOut, PadTaskOut, StoredOut } from "../api/schema";
import { openOutbox, type Outbox } from "./outbox";
import { usePadStore } from "./StoreContext";
import { PADS } from "./worker";

/** How far it has come: it looks, needs a code, waits for a nod, a tile is chosen, in, over. */
export type Where = "opening" | "code" | "asking" | "tiles" | "in" | "over";

const NOD_MS = 2000;
const SIGN_OF_LIFE_MS = 15_000;

export interface PadLesson {
  where: Where;
  joined: JoinedOut | null;
  task: PadTaskOut | null;
  /** The server is not reached just now. */
  alone: boolean;
  problem: string | null;
  /** The class is called to look at the board. */
  look: boolean;
  /** How often the movement was to be shown again; grows. */
  replays: number;
  /** What was said to the last letter, where the class wants that. */
  answer: StoredOut | null;
  join: (code: string) => void;
  sit: (pupil: number) => void;
  /** The tablet goes to the next child. */
  passOn: () => void;
  backToTask: () => void;
  looked: () => void;
  kept: () => void;
  choose: (attempt: string) => void;
  again: () => void;
}

const statusOf = (error: unknown) => (error instanceof ProblemError ? error.status : 0);
const wordsOf = (error: unknown) => (error instanceof Error ? error.message : String(error));

/** What the page knows of the browser: whether it opens alone, and how it looks for a newer page. */
export interface Surroundings {
  opensAlone: () => boolean;
  lookForNewer: () => void;
}

export function usePadLesson({ opensAlone, lookForNewer }: Surroundings): PadLesson {
  const store = usePadStore();
  const [where, setWhere] = useState<Where>("opening");
  const [joined, setJoined] = useState<JoinedOut | null>(null);
  const [task, setTask] = useState<PadTaskOut | null>(null);
  const [alone, setAlone] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [look, setLook] = useState(false);
  const [replays, setReplays] = useState(0);
  const [answer, setAnswer] = useState<StoredOut | null>(null);
  const outbox = useRef<Outbox | null>(null);
  const asked = useRef(0); // an answer that was overtaken says nothing any more

  const out = useCallback(
    (to: Where) => {
      setWhere(to);
      setTask(null);
      setLook(false);
      setProblem(null);
      setAnswer(null);
      store.forget();
      void outbox.current?.send();
    },
    [store],
  );

  /** Asks for the task, learns the server's clock by the way, and wipes what was let go. */
  const fetchTask = useCallback(async () => {
    const before = Date.now();
    const now = await calls.task(store.fails ? false : undefined);
    store.setClock(now.now, before, Date.now());
    store.letGo(now.let_go);
    return now;
  }, [store]);

  const begin = useCallback(
    (now: PadTaskOut) => {
      setAlone(false);
      setTask(now);
      store.setTask(now);
      if (store.waiting.length > 0) void outbox.current?.send();
    },
    [store],
  );

  /** Asks what to do; whether the server was there. */
  const refresh = useCallback(async () => {
    const mine = ++asked.current;
    try {
      const now = await fetchTask();
      if (mine !== asked.current) return; // asked again since, or a tile was taken
      begin(now);
      if (now.pupil) setWhere((before) => (before === "tiles" ? before : "in"));
      else {
        const tiles = await calls.lesson();
        if (mine !== asked.current) return;
        setJoined(tiles);
        setWhere("tiles");
      }
    } catch (error) {
      if (mine !== asked.current) return;
      if (statusOf(error) === 401) out("over");
      else setAlone(true);
    }
  }, [out, fetchTask, begin]);

  const come = useCallback(
    async (by: Parameters<typeof calls.join>[0]) => {
      try {
        const found = await calls.join(by);
        setAlone(false);
        setProblem(null);
        if (!found) {
          setWhere("asking");
          return;
        }
        setJoined(found);
        window.history.replaceState(null, "", PADS);
        setWhere("tiles");
        await refresh();
        void outbox.current?.send(); // what waited while it was out
      } catch (error) {
        setAlone(statusOf(error) === 0);
        if ("code" in by) setProblem(wordsOf(error));
        setWhere("code");
      }
    },
    [refresh],
  );

  const open = useCallback(async () => {
    await store.opened;
    const code = new URLSearchParams(window.location.search).get("code");
    if (code) {
      await come({ code });
      return;
    }
    try {
      const now = await fetchTask();
      if (!now.pupil) setJoined(await calls.lesson());
      begin(now);
      setWhere(now.pupil ? "in" : "tiles");
    } catch (error) {
      const last = store.task;
      const unreached = statusOf(error) === 0 || statusOf(error) >= 500;
      if (unreached && last?.pupil) {
        setAlone(true);
        setTask(last);
        setWhere("in");
      } else await come({ known: true });
    }
  }, [come, store, fetchTask, begin]);

  useEffect(() => {
    const opened = openOutbox(store, {
      onReached: (reached) => {
        setAlone(!reached);
      },
      onStored: (stored) => {
        if (stored.say !== null || stored.replay) setAnswer(stored);
        void refresh();
      },
      onTooMuch: setProblem,
      onOut: () => {
        setWhere((before) => (before === "in" ? "over" : before));
        setProblem(null);
      },
    });
    outbox.current = opened;
    void opened.send();
    queueMicrotask(() => void open());
    return () => {
      opened.stop();
    };
  }, [open, refresh, store]);

  // It waits for the nod; or, where the network was away when it opened, for the network.
  const waits = where === "asking" || (where === "code" && alone);
  useEffect(() => {
    if (!waits) return;
    const asks = setInterval(() => void come({ known: true }), NOD_MS);
    return () => {
      clearInterval(asks);
    };
  }, [waits, come]);

  const isIn = where === "in" || where === "tiles";
  useEffect(() => {
    if (!isIn) return;
    const sign = setInterval(() => void refresh(), SIGN_OF_LIFE_MS);
    const heard = (call: calls.Call) => {
      if (call === "look") setLook(true);
      else if (call === "replay") setReplays((before) => before + 1);
      else if (call === "end") out("over");
      else {
        setLook(false);
        setAnswer(null);
        void refresh();
      }
    };
    const reachedAgain = () => {
      void refresh();
      lookForNewer(); // the server may be another version since
    };
    const deaf = calls.listen(heard, reachedAgain);
    return () => {
      clearInterval(sign);
      deaf();
    };
  }, [isIn, refresh, out, lookForNewer]);

  return {
    where,
    joined,
    task,
    alone,
    problem,
    look,
    replays,
    answer,
    join: (code) => void come({ code }),
    sit: (pupil) => {
      asked.current++;
      calls.sit(pupil, opensAlone()).then(
        () => {
          setProblem(null);
          setWhere("in");
          void refresh();
        },
        (error: unknown) => {
          setProblem(wordsOf(error));
          void calls.lesson().then(setJoined, () => undefined);
        },
      );
    },
    passOn: () => {
      setWhere("tiles");
      setProblem(null);
      void outbox.current?.send();
      calls.lesson().then(setJoined, () => {
        setAlone(true);
      });
    },
    backToTask: () => {
      setWhere("in");
      setProblem(null);
    },
    looked: () => {
      setLook(false);
    },
    kept: () => {
      setAnswer(null);
      void outbox.current?.send();
    },
    choose: (attempt) => {
      calls.best(attempt).then(
        () => {
          setProblem(null);
          void refresh();
        },
        (error: unknown) => {
          setProblem(wordsOf(error));
        },
      );
    },
    again: () => {
      setWhere("opening");
      void open();
    },
  };
}
