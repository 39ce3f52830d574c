/** A pad in a browser of its own: opened on a fresh store, given its task, written on. */
import { act, screen, waitFor } from "@testing-library/react";
import { expect, vi } from "vitest";

import type { PadAttemptIn, PadTaskOut, SeatOut } from "../api/schema";
import { PadApp } from "../pad/PadApp";
import { PadStore } from "../pad/store";
import { StoreContext } from "../pad/StoreContext";
import { joined, padTask } from "./padSamples";
import { strokeDown } from "./pen";
import { putUp } from "./screen";
import { askedOf, serve } from "./server";

export const HAND_IN = "POST /api/pad/attempts";
export const EVENTS = "/api/pad/events";
const surroundings = { opensAlone: () => true, lookForNewer: vi.fn() };

export let store: PadStore;

/** A fresh store, a task for Mila, and a server that takes what is handed in. */
export function aFreshPad(): void {
  vi.clearAllMocks();
  store = new PadStore();
  give();
  serve("GET /api/pad/lesson", joined());
  serve("POST /api/pad/pupil", sits(padTask()));
  serve(HAND_IN, ({ body }: { body: unknown }) => {
    const { id } = body as { id: string };
    return { id, stored: true, say: null, replay: null };
  });
}

export function answered(status: number, detail = "No."): void {
  const problem = { type: "about:blank", title: "No", status, detail, where: [] };
  serve("GET /api/pad/task", () => Response.json(problem, { status }));
}

export function give(changes: Partial<PadTaskOut> = {}): void {
  serve("GET /api/pad/task", padTask(changes));
}

export function open() {
  return putUp(
    <StoreContext value={store}>
      <PadApp surroundings={surroundings} />
    </StoreContext>,
  );
}

export const sheet = () => screen.findByRole("application", { name: "Sheet for l" });

/** A child takes its tile: who sits there now, and what it is to write. */
export const sits = (task: PadTaskOut): SeatOut => {
  if (task.seat === null || !task.pupil) throw new Error("nobody sits there");
  return { seat: task.seat, pupil: task.pupil, handedness: "right", task };
};

/** A stroke on it, once it listens. */
export async function stroke(on = "Sheet for l", x = 20) {
  const surface = await screen.findByRole("application", { name: on });
  await act(() => Promise.resolve());
  strokeDown(surface, x, { pointer: "pen" });
}

export const button = (name: string) => screen.getByRole("button", { name });
export const sent = () => askedOf(HAND_IN).map(({ body }) => body as PadAttemptIn);
export const sentOnes = (count: number) =>
  waitFor(() => {
    expect(sent()).toHaveLength(count);
  });
