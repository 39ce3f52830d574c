/**
 * Hands in what waits, the oldest first, again and again until the server has said that it has it:
 * after a gap in the network, a closed lid, a server that was started anew. What it will never take
 * is set aside, and what is newer goes on.
 */
import { ProblemError } from "../api/client";
import * as calls from "../api/padCalls";
import type { StoredOut } from "../api/schema";
import type { PadStore, Written } from "./store";

const AGAIN_AFTER_MS = 3000;

/** A tablet says that it has the network again a moment before anything goes through it. */
const ONCE_ONLINE_MS = 500;

/** The pad is in no lesson: it hands in once it is in one again. */
const OUT = 401;

/** Asked again later, the server may take it: it was busy, or asked too often. */
const NOT_NOW: readonly number[] = [408, 425, 429, 503];

export interface OutboxNews {
  /** Whether the server was reached just now. */
  onReached: (reached: boolean) => void;
  onStored: (answer: StoredOut) => void;
  /** What it shows is worth nothing: it was put out, or the lesson is over. */
  onOut: () => void;
  /** So much has come from this pad that no more is taken for now; why, in words. */
  onTooMuch: (why: string) => void;
}

export interface Outbox {
  /** Sends what waits; who calls need not wait. */
  send: () => Promise<void>;
  stop: () => void;
}

/** The title of what is refused for a while because the pad has sent so much. */
const TOO_MUCH = "More than a child could write";

/** What follows from an answer: the next is tried, or none for now. */
type Then = "next" | "stop" | "out";

export function openOutbox(store: PadStore, news: OutboxNews): Outbox {
  let running: Promise<void> | null = null;
  let more = false; // came while it was sending
  let out = false; // until somebody says that it is in again

  const sendAll = async () => {
    await store.opened;
    const tried = new Set<string>();
    for (;;) {
      const next = store.waiting.find(({ id }) => !tried.has(id));
      if (!next) return;
      tried.add(next.id);
      const then = await sendOne(store, next, news);
      out = then === "out";
      if (then !== "next") return;
    }
  };
  const run = (): Promise<void> => {
    if (running) {
      more = true;
      return running;
    }
    running = sendAll().finally(() => {
      running = null;
      if (more && !out) void run();
      more = false;
    });
    return running;
  };
  const again = () => {
    if (!out) void run();
  };
  let onceOnline: ReturnType<typeof setTimeout> | undefined;
  const online = () => {
    again();
    clearTimeout(onceOnline);
    onceOnline = setTimeout(again, ONCE_ONLINE_MS);
  };
  const repeats = setInterval(again, AGAIN_AFTER_MS);
  window.addEventListener("online", online);
  document.addEventListener("visibilitychange", again);
  return {
    send: () => {
      out = false;
      return run();
    },
    stop: () => {
      out = true;
      clearInterval(repeats);
      clearTimeout(onceOnline);
      window.removeEventListener("online", online);
      document.removeEventListener("visibilitychange", again);
    },
  };
}

async function sendOne(store: PadStore, { id, body }: Written, news: OutboxNews): Promise<Then> {
  try {
    const answer = await calls.handIn(body);
    store.hasArrived(id);
    news.onReached(true);
    news.onStored(answer);
    return "next";
  } catch (error) {
    const status = error instanceof ProblemError ? error.status : 0;
    news.onReached(status > 0);
    if (status === OUT) {
      news.onOut();
      return "out";
    }
    if (error instanceof ProblemError && error.title === TOO_MUCH) news.onTooMuch(error.message);
    if (status === 0 || NOT_NOW.includes(status)) return "stop";
    // It fails on this one: others may do better, and this one the next time.
    if (status < 500) store.setAside(id, error instanceof Error ? error.message : "");
    return "next";
  }
}
