/** What a child does on a pad: it writes, strikes through, chooses, and is told. */
import { act, screen, within } from "@testing-library/react";
import { beforeEach, expect, test } from "vitest";

import { happens } from "../test/events";
import {
  aFreshPad,
  button,
  EVENTS,
  give,
  HAND_IN,
  open,
  sent,
  sentOnes,
  sheet,
  store,
  stroke,
} from "../test/padPage";
import { ownLetter, padTask } from "../test/padSamples";
import { askedOf, refuse, serve } from "../test/server";

beforeEach(() => {
  aFreshPad();
});

test("what is done is handed in as who wrote it, and the next cell is begun", async () => {
  const { user } = open();
  expect(await sheet()).toHaveAttribute("data-strokes", "0");
  expect(button("Done")).toBeDisabled();
  await stroke();
  await user.click(button("Done"));
  await sentOnes(1);
  expect(sent()[0]).toMatchObject({
    target: "l",
    kind: "letter",
    help: "copy",
    seat: 7,
    struck: false,
  });
  expect(sent()[0]?.strokes).toHaveLength(1);
  expect(await sheet()).toHaveAttribute("data-strokes", "0");
  const [first] = store.lettersOf("7/own/letter/l/copy");
  expect(first).toMatchObject({ cell: 0, state: "stored" });
  await stroke();
  expect(store.draftOf("7/own/letter/l/copy")?.cell).not.toBe(0);
});

test("one that went wrong is struck through: it is handed in, and stays on the sheet", async () => {
  const { user } = open();
  await stroke();
  expect(screen.queryByRole("button", { name: "Last stroke away" })).toBeNull();
  await user.click(button("Strike it through"));
  await sentOnes(1);
  expect(sent()[0]).toMatchObject({ struck: true });
  expect(store.lettersOf("7/own/letter/l/copy")[0]?.body.struck).toBe(true);
  expect(button("Strike it through")).toBeDisabled();
});

test("in a game the last stroke may go, and with the last one the letter", async () => {
  give({ rubbing_out: true });
  const { user } = open();
  await stroke();
  await stroke("Sheet for l", 24);
  expect(await sheet()).toHaveAttribute("data-strokes", "2");
  await user.click(button("Last stroke away"));
  expect(await sheet()).toHaveAttribute("data-strokes", "1");
  await user.click(button("Last stroke away"));
  expect(button("Done")).toBeDisabled();
  expect(sent()).toEqual([]);
});

test("the best one is chosen, and where that is not taken it is said", async () => {
  give({ step: "best", doing: "choose", choose: [ownLetter("a", true), ownLetter("b")] });
  serve("POST /api/pad/best", undefined);
  const { user } = open();
  const list = await screen.findByRole("list", { name: "Choose your best one" });
  const [first, second] = within(list).getAllByRole("button");
  if (!first || !second) throw new Error("there are two");
  expect([first, second].map((one) => one.getAttribute("aria-pressed"))).toEqual(["true", "false"]);
  await user.click(second);
  expect(askedOf("POST /api/pad/best")[0]?.body).toEqual({ attempt: "b" });
  refuse("POST /api/pad/best", "That one was taken back.");
  await user.click(first);
  expect(await screen.findByRole("alert")).toHaveTextContent("That one was taken back.");
});

test("a task that was long in coming dates no letter later than it was begun", async () => {
  const LONG_MS = 300;
  serve("GET /api/pad/task", async () => {
    await new Promise((comes) => setTimeout(comes, LONG_MS));
    return Response.json(padTask({ now: new Date().toISOString() }));
  });
  const { user } = open();
  await stroke();
  const begun = Date.now();
  await user.click(button("Done"));
  await sentOnes(1);
  expect(Date.parse(sent()[0]?.written_at ?? "")).toBeLessThanOrEqual(begun);
});

test("where the class wants it the letter is answered, until the next is handed in", async () => {
  serve(HAND_IN, ({ body }: { body: unknown }) => {
    const { id } = body as { id: string };
    return { id, stored: true, say: "Down to the line.", replay: null };
  });
  const { user } = open();
  await stroke();
  await user.click(button("Done"));
  expect(await screen.findByText("Down to the line.")).toBeVisible();
});

test("when enough is written the sun is out and no cell waits; one more is no fault", async () => {
  give({ is_enough: true, written: 5 });
  const { user } = open();
  expect(await screen.findByText("That is enough")).toBeInTheDocument();
  await stroke();
  expect(screen.queryByText("That is enough")).toBeNull();
  await user.click(button("Done"));
  await sentOnes(1);
});

test("from memory the word is heard and its picture seen; a line is written on long", async () => {
  give({
    kind: "word",
    target: "nap",
    help: "recall",
    cells: false,
    model: null,
    prompt: { sound: "/s", picture: "/p", drawing: null, question: "What did you hear?" },
  });
  const { user } = open();
  await stroke("Line for nap");
  expect(screen.getByText("What did you hear?")).toBeVisible();
  expect(button("Hear it")).toBeEnabled();
  await user.click(button("Done"));
  await sentOnes(1);
  expect(sent()[0]).toMatchObject({ target: "nap", kind: "word", help: "recall" });
});

test("in the air nothing is handed in", async () => {
  give({ step: "big", doing: "air" });
  open();
  await stroke("Trace l in the air");
  expect(sent()).toEqual([]);
  expect(store.waiting).toEqual([]);
});

test("who has written all goes on freely, as long as the others write", async () => {
  give({ is_enough: true, written: 5, further: "Find more words with l." });
  open();
  await sheet();
  act(() => {
    button("More lines").click();
  });
  expect(await screen.findByText("Find more words with l.")).toBeVisible();
  await stroke("Line for what you want to say");
  // The pad asks anew while it is written on: nothing is taken from under the pen.
  happens(EVENTS, "task");
  await act(() => Promise.resolve());
  expect(sent()).toEqual([]);
  act(() => {
    button("Done").click();
  });
  await sentOnes(1);
  expect(sent()[0]).toMatchObject({ kind: "free", target: "", help: "recall" });
});

test("a word of a sentence that is left out is a gap in its model", async () => {
  const [only] = padTask().model?.words ?? [];
  const words = only
    ? [
        { ...only, letter: "Is" },
        { ...only, letter: "it?" },
      ]
    : [];
  give({ kind: "sentence", target: "Is it?", cells: false, gap: "it", model: { words } });
  open();
  expect(await screen.findByRole("img", { name: "Is …" })).toBeVisible();
});

test("what the teacher said of the last one is told before the next", async () => {
  give({ reminder: "Up to the top line." });
  open();
  expect(await screen.findByText("Up to the top line.")).toBeVisible();
});
