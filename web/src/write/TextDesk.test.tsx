/** The desk for a long line: what is asked, what is sent, what is never lost. */
import { screen } from "@testing-library/react";
import { beforeEach, expect, test } from "vitest";

import { strokeDown } from "../test/pen";
import { CLASSROOM } from "../test/samples";
import { putUp } from "../test/screen";
import { askedOf, refuse, serve } from "../test/server";
import { text } from "../test/textSamples";
import { TextDesk } from "./TextDesk";

const HAND_IN = "POST /api/write/texts";

beforeEach(() => {
  serve("GET /api/classroom", CLASSROOM);
  serve("GET /api/plan/today", { lesson: null });
  serve("GET /api/show/text", []);
  serve("GET /api/show/alphabet", []);
  serve(HAND_IN, text(7, { say: "Leave a finger's space." }));
});

const button = (name: string) => screen.getByRole("button", { name });

async function ask(word: string) {
  const { user } = putUp(<TextDesk />);
  await user.type(await screen.findByRole("combobox", { name: "What to write" }), `${word}{Enter}`);
  return { user, pad: await screen.findByRole("application", { name: `Pad for ${word}` }) };
}

test("without a lesson it says what to do, and hands in nothing", async () => {
  putUp(<TextDesk />);
  expect(await screen.findByText(/Type above what is to be written/)).toBeVisible();
  expect(button("Hand in")).toBeDisabled();
});

test("a word is handed in as a whole, and the one thing to say is said", async () => {
  const { user, pad } = await ask("he");
  strokeDown(pad, 100);
  strokeDown(pad, 300);
  await user.keyboard("{Enter}");
  expect(await screen.findByText("Leave a finger's space.")).toBeVisible();
  const [sent] = askedOf(HAND_IN).map(({ body }) => body);
  expect(sent).toMatchObject({ kind: "word", target: "he", help: "copy", pupil_id: 1 });
  expect(sent).toHaveProperty("strokes.length", 2);
});

test("Z takes the last stroke away, and a text handed in comes back with its ink", async () => {
  serve("DELETE /api/write/texts/7", undefined);
  const { user, pad } = await ask("he");
  strokeDown(pad, 100);
  strokeDown(pad, 300);
  await user.keyboard("z");
  await user.keyboard("{Enter}");
  await screen.findByText("Leave a finger's space.");
  expect(askedOf(HAND_IN)[0]?.body).toHaveProperty("strokes.length", 1);
  await user.click(button("Take back"));
  expect(await screen.findByRole("button", { name: "Last stroke away" })).toBeEnabled();
  expect(askedOf("DELETE /api/write/texts/7")).toHaveLength(1);
});

test("what was not taken stays on the pad", async () => {
  refuse(HAND_IN, "There is no such child.");
  const { user, pad } = await ask("he");
  strokeDown(pad, 100);
  await user.keyboard("{Enter}");
  expect(await screen.findByRole("alert")).toHaveTextContent("There is no such child.");
  expect(button("Hand in")).toBeEnabled();
});
