/** The pad in its lesson: how it comes in, what it is to do, what it is called to, how it goes out. */
import { useCallback, useEffect, useReducer, useRef } from "react";

import { ProblemError } from "../api/client";
import * as calls from "../api/padCalls";
import type { JoinedOut, PadTaskOut } from "../api/schema";
import { after, type LessonState, OPENING } from "./lessonState";
import { openOutbox, type Outbox } from "./outbox";
import { usePadStore } from "./StoreContext";
import { PADS } from "./worker";

const NOD_MS = 2000;
const SIGN_OF_LIFE_MS = 15_000;

export interface PadLesson extends LessonState {
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
  const [state, happened] = useReducer(after, OPENING);
  const outbox = useRef<Outbox | null>(null);
  const asked = useRef(0); // an answer that was overtaken says nothing any more

  const send = useCallback(() => {
    void outbox.current?.send();
  }, []);

  const end = useCallback(() => {
    asked.current++;
    happened({ is: "over" });
    store.forget();
    send();
  }, [store, send]);

  /** Learns the server's clock from a task that came just now, and wipes what was let go. */
  const learn = useCallback(
    (now: PadTaskOut) => {
      store.setClock(now.now, Date.now());
      store.letGo(now.let_go);
    },
    [store],
  );

  /** Asks what to do, and where no child sits here, for the tiles; an answer that was overtaken,
   * as somebody asked again since or took a tile, says nothing. */
  const ask = useCallback(async () => {
    const mine = ++asked.current;
    const now = await calls.task(store.fails ? false : undefined);
    learn(now);
    if (mine !== asked.current) return;
    happened({ is: "task", task: now });
    store.setTask(now);
    if (store.waiting.length > 0) send();
    if (now.pupil) return;
    const joined = await calls.lesson();
    if (mine === asked.current) happened({ is: "nobody sits here", joined });
  }, [store, learn, send]);

  const refresh = useCallback(async () => {
    const mine = asked.current + 1;
    try {
      await ask();
    } catch (error) {
      if (mine !== asked.current) return;
      if (statusOf(error) === 401) end();
      else happened({ is: "alone" });
    }
  }, [ask, end]);

  const come = useCallback(
    async (by: Parameters<typeof calls.join>[0]) => {
      try {
        const joined = await calls.join(by);
        if (!joined) {
          happened({ is: "waits for a nod" });
          return;
        }
        happened({ is: "joined", joined });
        window.history.replaceState(null, "", PADS);
        await refresh();
        send(); // what waited while it was out
      } catch (error) {
        const problem = "code" in by ? { problem: wordsOf(error) } : {};
        happened({ is: "needs a code", alone: statusOf(error) === 0, ...problem });
      }
    },
    [refresh, send],
  );

  const open = useCallback(async () => {
    await store.opened;
    const code = new URLSearchParams(window.location.search).get("code");
    if (code) {
      await come({ code });
      return;
    }
    try {
      await ask();
    } catch (error) {
      const last = store.task;
      const unreached = statusOf(error) === 0 || statusOf(error) >= 500;
      if (unreached && last?.pupil) happened({ is: "alone", goesOnWith: last });
      else await come({ known: true });
    }
  }, [come, store, ask]);

  useEffect(() => {
    const opened = openOutbox(store, {
      onReached: (reached) => {
        happened({ is: "reached", reached });
      },
      onStored: (answer) => {
        happened({ is: "answer", answer });
        void refresh();
      },
      onTooMuch: (problem) => {
        happened({ is: "problem", problem });
      },
      onOut: () => {
        happened({ is: "put out" });
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
  const { where } = state;
  const waits = where === "asking" || (where === "code" && state.alone);
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
      if (call === "look") happened({ is: "called to look" });
      else if (call === "replay") happened({ is: "replay" });
      else if (call === "end") end();
      else {
        happened({ is: "goes on" });
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
  }, [isIn, refresh, end, lookForNewer]);

  const failed = (error: unknown) => {
    happened({ is: "problem", problem: wordsOf(error) });
  };
  const showTiles = (joined: JoinedOut) => {
    happened({ is: "tiles", joined });
  };
  return {
    ...state,
    join: (code) => void come({ code }),
    sit: (pupil) => {
      asked.current++;
      calls.sit(pupil, opensAlone()).then(
        ({ task }) => {
          asked.current++; // what was asked meanwhile may be answered for who sat here before
          learn(task);
          happened({ is: "sits", task });
          store.setTask(task);
          send();
        },
        (error: unknown) => {
          failed(error);
          void calls.lesson().then(showTiles, () => undefined);
        },
      );
    },
    passOn: () => {
      happened({ is: "passed on" });
      send();
      calls.lesson().then(showTiles, () => {
        happened({ is: "alone" });
      });
    },
    backToTask: () => {
      happened({ is: "writes" });
    },
    looked: () => {
      happened({ is: "looked" });
    },
    kept: () => {
      happened({ is: "handed in" });
      send();
    },
    choose: (attempt) => {
      calls.best(attempt).then(() => {
        happened({ is: "went well" });
        void refresh();
      }, failed);
    },
    again: () => {
      happened({ is: "looks for its lesson" });
      void open();
    },
  };
}
