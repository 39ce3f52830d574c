/** One pad: who writes, with what help, what is sent, and what is never lost. */
import { act, screen, waitFor } from "@testing-library/react";
import { beforeEach, expect, test } from "vitest";

import type { AttemptIn } from "../api/schema";
import { ALPHABET, attempt, CLASSROOM, L_DRAWING } from "../test/samples";
import { strokeDown, touch } from "../test/pen";
import { putUp } from "../test/screen";
import { askedOf, refuse, serve } from "../test/server";
import { WriteStation } from "./WriteStation";

const HAND_IN = "POST /api/write/attempts";

beforeEach(() => {
  serve("GET /api/classroom", CLASSROOM);
  serve("GET /api/show/letters/l", L_DRAWING);
  serve("GET /api/show/alphabet", ALPHABET);
  serve(HAND_IN, attempt(9, { say: "Stretch it up." }));
});

const pad = () => screen.findByRole("application", { name: "Pad for the letter l" });
const button = (name: string) => screen.getByRole("button", { name });

const sent = () => askedOf(HAND_IN).map(({ body }) => body as AttemptIn);

test("a letter is handed in by Enter, with who wrote it and with what help", async () => {
  const { user } = putUp(<WriteStation letter="l" />);
  const surface = await pad();
  expect(button("Hand in")).toBeDisabled();
  await user.selectOptions(screen.getByRole("combobox", { name: "Who writes?" }), "Jori");
  await user.click(screen.getByRole("radio", { name: "Write it from memory" }));
  strokeDown(surface, 100);
  await user.keyboard("{Enter}");
  expect(await screen.findByText("Stretch it up.")).toBeVisible();
  const [given] = sent();
  expect(given).toMatchObject({ pupil_id: 2, letter: "l", help: "recall" });
  expect(given?.strokes).toHaveLength(1);
  expect(button("Hand in")).toBeDisabled();
});

test("nothing is handed in from an empty pad", async () => {
  const { user } = putUp(<WriteStation letter="l" />);
  await pad();
  await user.keyboard("{Enter}");
  expect(sent()).toEqual([]);
});

test("up is up: y grows upwards from the base line, times from the first touch", async () => {
  const { user } = putUp(<WriteStation letter="l" />);
  strokeDown(await pad(), 100);
  await user.keyboard("{Enter}");
  await screen.findByRole("status");
  const [first, last] = sent()[0]?.strokes[0]?.points ?? [];
  if (!first || !last) throw new Error("two points were written");
  expect(first[1]).toBeGreaterThan(last[1]);
  expect(first[2]).toBe(0);
  expect(first[3]).toBeNull(); // a mouse has no force worth keeping
});

test("a pen's force is kept; once it was seen, touch is the palm", async () => {
  const { user } = putUp(<WriteStation letter="l" />);
  const surface = await pad();
  strokeDown(surface, 100, { pointer: "pen", force: 0.8 });
  strokeDown(surface, 300, { pointer: "touch", id: 4 });
  await user.keyboard("{Enter}");
  await screen.findByRole("status");
  expect(sent()[0]?.strokes).toHaveLength(1);
  expect(sent()[0]?.strokes[0]?.points[0]?.[3]).toBeCloseTo(0.8);
});

test("a second finger meanwhile writes nothing", async () => {
  const { user } = putUp(<WriteStation letter="l" />);
  const surface = await pad();
  act(() => {
    touch(surface, "pointerdown", 100, 60, { pointer: "touch", id: 1 });
    touch(surface, "pointerdown", 400, 60, { pointer: "touch", id: 2 });
    touch(surface, "pointermove", 400, 90, { pointer: "touch", id: 2 });
    touch(surface, "pointermove", 100, 150, { pointer: "touch", id: 1 });
    touch(surface, "pointerup", 100, 150, { pointer: "touch", id: 1 });
  });
  await user.keyboard("{Enter}");
  await screen.findByRole("status");
  const strokes = sent()[0]?.strokes ?? [];
  expect(strokes).toHaveLength(1);
  expect(new Set(strokes[0]?.points.map(([x]) => x)).size).toBe(1);
});

test("a letter that was not taken stays on the pad", async () => {
  refuse(HAND_IN, "That child is not in this class.");
  const { user } = putUp(<WriteStation letter="l" />);
  strokeDown(await pad(), 100);
  await user.keyboard("{Enter}");
  expect(await screen.findByRole("alert")).toHaveTextContent("That child is not in this class.");
  expect(button("Hand in")).toBeEnabled();
  serve(HAND_IN, attempt(9));
  await user.keyboard("{Enter}");
  expect(await screen.findByRole("status")).toBeVisible();
});

test("sent again it is known to be the same, until it has arrived", async () => {
  refuse(HAND_IN, "Others are writing just now.");
  const { user } = putUp(<WriteStation letter="l" />);
  strokeDown(await pad(), 100);
  await user.keyboard("{Enter}");
  await screen.findByRole("alert");
  serve(HAND_IN, attempt(9));
  await user.keyboard("{Enter}");
  await screen.findByRole("status");
  strokeDown(await pad(), 100);
  await user.keyboard("{Enter}");
  await waitFor(() => {
    expect(sent()).toHaveLength(3);
  });
  const [first, again, next] = sent().map(({ id }) => id);
  expect(first).toMatch(/^[0-9a-f-]{36}$/);
  expect(again).toBe(first);
  expect(next).not.toBe(first);
});

test("Z wipes, and what was wiped can be brought back", async () => {
  const { user } = putUp(<WriteStation letter="l" />);
  strokeDown(await pad(), 100);
  await user.keyboard("z");
  expect(button("Hand in")).toBeDisabled();
  await user.click(button("Bring it back"));
  expect(button("Hand in")).toBeEnabled();
});

test("a letter just handed in comes back to the pad with its ink", async () => {
  serve("DELETE /api/write/attempts/9", undefined);
  const { user } = putUp(<WriteStation letter="l" />);
  strokeDown(await pad(), 100);
  await user.keyboard("{Enter}");
  await screen.findByRole("status");
  await user.click(button("Take back"));
  expect(await screen.findByText("Write one letter, then hand it in.")).toBeVisible();
  expect(button("Hand in")).toBeEnabled();
  expect(askedOf("DELETE /api/write/attempts/9")).toHaveLength(1);
});

test("the pad remembers whose it is", async () => {
  const { user } = putUp(<WriteStation letter="l" />);
  await user.selectOptions(await screen.findByRole("combobox", { name: "Who writes?" }), "Jori");
  expect(localStorage.getItem("firstloop.writer")).toBe("2");
});
