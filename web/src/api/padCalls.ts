/** What a pad says to the server: its contract, one function a call. */
import { exact, fetchClient } from "./client";
import type { JoinedOut, PadAttemptIn, PadTaskOut, SeatOut, StoredOut } from "./schema";

/** Comes in; null: the teacher has not nodded yet. */
export async function join(by: { code: string } | { known: true }): Promise<JoinedOut | null> {
  const { data } = await fetchClient.POST("/api/pad/join", { body: by });
  return data && "pad" in data ? exact<JoinedOut>(data) : null;
}

export async function lesson(): Promise<JoinedOut> {
  return exact<JoinedOut>((await fetchClient.GET("/api/pad/lesson")).data);
}

export async function sit(pupil: number, opens_alone: boolean): Promise<SeatOut> {
  const { data } = await fetchClient.POST("/api/pad/pupil", { body: { pupil, opens_alone } });
  return exact<SeatOut>(data);
}

/** What the pad is to do; `keeps` false says that its own store fails. */
export async function task(keeps?: boolean): Promise<PadTaskOut> {
  const query = keeps === undefined ? {} : { keeps };
  return exact<PadTaskOut>((await fetchClient.GET("/api/pad/task", { params: { query } })).data);
}

export async function handIn(body: PadAttemptIn): Promise<StoredOut> {
  return exact<StoredOut>((await fetchClient.POST("/api/pad/attempts", { body })).data);
}

export async function best(attempt: string): Promise<void> {
  await fetchClient.POST("/api/pad/best", { body: { attempt } });
}

export async function leave(): Promise<void> {
  await fetchClient.POST("/api/pad/leave");
}

const CALLS = ["task", "replay", "choose", "look", "end"] as const;
export type Call = (typeof CALLS)[number];

/**
 * Hears what the pad is called to, until it is let go; a browser comes back after a gap itself, and
 * then it is told.
 */
export function listen(onCall: (call: Call) => void, onAgain: () => void): () => void {
  const source = new EventSource("/api/pad/events");
  let before = false;
  source.addEventListener("open", () => {
    if (before) onAgain();
    before = true;
  });
  for (const call of CALLS) {
    source.addEventListener(call, () => {
      onCall(call);
    });
  }
  return () => {
    source.close();
  };
}
