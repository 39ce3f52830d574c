/** The pad in its lesson: how it comes in, what it is to do, what it is called to, how it goes out. */
import { useCallback, useEffect, useRef, useState } from "react";

import { ProblemError } from "../api/client";
import * as calls from "../api/padCalls";
import type { JoinedOut, PadTaskOut, StoredOut } from "../api/schema";
import { openOutbox, type Outbox } from "./outbox";
import * as store from "./store";

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

export function usePadLesson(opensAlone: () => boolean): PadLesson {
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

  const out = useCallback((to: Where) => {
    setWhere(to);
    setTask(null);
    setLook(false);
    void outbox.current?.send();
    void store.forget();
  }, []);

  /** Asks what to do; whether the server was there. */
  const refresh = useCallback(async () => {
    const mine = ++asked.current;
    try {
      const now = await calls.task();
      if (mine !== asked.current) return; // asked again since, or a tile was taken
      setAlone(false);
      setTask(now);
      void store.keepTask(now);
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
  }, [out]);

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
        window.history.replaceState(null, "", "/pad");
        setWhere("tiles");
        await refresh();
      } catch (error) {
        setAlone(statusOf(error) === 0);
        if ("code" in by) setProblem(wordsOf(error));
        setWhere("code");
      }
    },
    [refresh],
  );

  const open = useCallback(async () => {
    const code = new URLSearchParams(window.location.search).get("code");
    if (code) {
      await come({ code });
      return;
    }
    try {
      const now = await calls.task();
      setTask(now);
      if (now.pupil) setWhere("in");
      else {
        setJoined(await calls.lesson());
        setWhere("tiles");
      }
    } catch (error) {
      const last = await store.lastTask();
      if (statusOf(error) === 0 && last?.pupil) {
        setAlone(true);
        setTask(last);
        setWhere("in");
      } else await come({ known: true });
    }
  }, [come]);

  useEffect(() => {
    const opened = openOutbox({
      onReached: (reached) => {
        setAlone(!reached);
      },
      onStored: (stored) => {
        if (stored.say !== null || stored.replay) setAnswer(stored);
        void refresh();
      },
      onOut: () => {
        setWhere((before) => (before === "in" ? "over" : before));
      },
    });
    outbox.current = opened;
    void opened.send();
    queueMicrotask(() => void open());
    return () => {
      opened.stop();
    };
  }, [open, refresh]);

  useEffect(() => {
    if (where !== "asking") return;
    const asks = setInterval(() => void come({ known: true }), NOD_MS);
    return () => {
      clearInterval(asks);
    };
  }, [where, come]);

  const isIn = where === "in" || where === "tiles";
  useEffect(() => {
    if (!isIn) return;
    const sign = setInterval(() => void refresh(), SIGN_OF_LIFE_MS);
    const deaf = calls.listen((call) => {
      if (call === "look") setLook(true);
      else if (call === "replay") setReplays((before) => before + 1);
      else if (call === "end") out("over");
      else {
        setLook(false);
        setAnswer(null);
        void refresh();
      }
    });
    return () => {
      clearInterval(sign);
      deaf();
    };
  }, [isIn, refresh, out]);

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
      void outbox.current?.send();
      calls.lesson().then(setJoined, () => {
        setAlone(true);
      });
    },
    backToTask: () => {
      setWhere("in");
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
        () => void refresh(),
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
