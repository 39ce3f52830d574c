/**
 * Hands in what waits, the oldest first, again and again until the server has said that it has it:
 * after a gap in the network, a closed lid, a server that was started anew.
 */
import { ProblemError } from "../api/client";
import * as calls from "../api/padCalls";
import type { StoredOut } from "../api/schema";
import * as store from "./store";

const AGAIN_AFTER_MS = 3000;

/** What the server will never take: asked again it would say the same. */
const REFUSED: readonly number[] = [403, 404, 409, 413, 422];
const TAKEN_BACK = 410;
const OUT = 401;

export interface OutboxNews {
  /** Whether the server was reached just now. */
  onReached: (reached: boolean) => void;
  onStored: (answer: StoredOut) => void;
  /** What it shows is worth nothing: it was put out, or the lesson is over. */
  onOut: () => void;
}

export interface Outbox {
  /** Sends what waits; who calls need not wait. */
  send: () => Promise<void>;
  stop: () => void;
}

export function openOutbox({ onReached, onStored, onOut }: OutboxNews): Outbox {
  let running: Promise<void> | null = null;
  let again: ReturnType<typeof setTimeout> | undefined;
  let stopped = false;
  let more = false; // came while it was sending

  const sendAll = async () => {
    for (let rest = await store.waiting(); rest.length > 0; rest = await store.waiting()) {
      for (const one of rest) {
        if (!(await sendOne(one))) return;
      }
    }
  };
  const sendOne = async ({ id, body }: store.Written): Promise<boolean> => {
    try {
      const answer = await calls.handIn(body);
      await store.mark(id, "stored");
      onReached(true);
      onStored(answer);
      return true;
    } catch (error) {
      const status = error instanceof ProblemError ? error.status : 0;
      onReached(status > 0);
      if (status === TAKEN_BACK) await store.mark(id, "stored");
      else if (REFUSED.includes(status)) await store.mark(id, "refused");
      else {
        if (status === OUT) onOut();
        else again = setTimeout(() => void send(), AGAIN_AFTER_MS);
        return false;
      }
      return true;
    }
  };
  const send = (): Promise<void> => {
    clearTimeout(again);
    if (stopped) return Promise.resolve();
    if (running) {
      more = true;
      return running;
    }
    running = sendAll().finally(() => {
      running = null;
      if (more) void send();
      more = false;
    });
    return running;
  };
  const online = () => void send();
  window.addEventListener("online", online);
  document.addEventListener("visibilitychange", online);
  return {
    send,
    stop: () => {
      stopped = true;
      clearTimeout(again);
      window.removeEventListener("online", online);
      document.removeEventListener("visibilitychange", online);
    },
  };
}
