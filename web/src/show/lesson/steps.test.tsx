/** Single steps of the lesson on the board: what they show, and when. */
import { act, screen } from "@testing-library/react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";

import { CLASSROOM, L_DRAWING, stop, word } from "../../test/samples";
import { strokeDown } from "../../test/pen";
import { putUp } from "../../test/screen";
import { askedOf, refuse, serve } from "../../test/server";
import { MemoryStep } from "./MemoryStep";
import { PupilsWork } from "./PupilsWork";
import { TurnsStep } from "./TurnsStep";
import { WordsStep } from "./WordsStep";
import { WriteHere } from "./WriteHere";

const WRITTEN = "/api/show/lessons/7/written/own";

beforeEach(() => {
  serve("GET /api/show/letters/l", L_DRAWING);
  serve("GET /api/classroom", CLASSROOM);
});
afterEach(() => {
  vi.useRealTimers();
});

const press = (name: string) => screen.getByRole("button", { name });

test("from memory: nothing is shown before there was time to write", async () => {
  const { user } = putUp(<MemoryStep parts={["l"]} />);
  expect(screen.getByText("Listen to the sound.")).toBeVisible();
  expect(screen.queryByRole("img")).toBeNull();
  await user.keyboard(" ");
  expect(press("Show it now")).toBeVisible();
  expect(screen.queryByRole("img")).toBeNull();
  await user.keyboard(" ");
  expect(await screen.findByRole("img", { name: /l/ })).toBeVisible();
  expect(press("Once more from the first")).toBeVisible();
});

test("from memory: after the pause the letter comes by itself", () => {
  vi.useFakeTimers();
  putUp(<MemoryStep parts={["l", "n"]} />);
  act(() => {
    press("Now write it").click();
  });
  act(() => {
    vi.advanceTimersByTime(7900);
  });
  expect(press("Show it now")).toBeVisible();
  act(() => {
    vi.advanceTimersByTime(200);
  });
  expect(press("The next one")).toBeVisible();
});

test("from memory: the family is given with a gap where the letter is", async () => {
  const family = { scheme: "By movement", family: "Straight down", why: "", exception: null };
  serve("GET /api/plan/letters/l", {
    letter: "l",
    forms: [],
    moves: [],
    relatives: [],
    slips: [],
    words: [],
    word_count: 0,
    family: { ...family, letters: ["i", "l"] },
  });
  serve("GET /api/show/alphabet", []);
  const { user } = putUp(<MemoryStep parts={["l"]} />);
  await user.click(screen.getByRole("radio", { name: "Give its family" }));
  expect(await screen.findByText("Straight down: which one is missing?")).toBeVisible();
  expect(screen.getAllByRole("listitem")).toHaveLength(2);
  expect(screen.getByText("?")).toBeVisible();
});

test.each([
  ["own", { traced: 2, starts: 4, inked: 3, marks: 1 }],
  ["best", { traced: 0, starts: 0, inked: 5, marks: 1 }],
  ["close", { traced: 0, starts: 1, inked: 1, marks: 0 }],
  ["home", { traced: 7, starts: 15, inked: 1, marks: 0 }],
] as const)("%s: its row shows how much help there is, and where it ends", async (kind, shown) => {
  putUp(<PupilsWork stop={stop(kind, { told: ["Sit", "Write"] })} />);
  const row = await screen.findByRole("img", { name: `The ${kind} step: l` });
  const count = (marks: string) => row.querySelectorAll(marks).length;
  expect({
    traced: count("[stroke-dasharray].stroke-rule-deep"),
    starts: count("circle.fill-ember"),
    inked: count("path.stroke-ink:not(.fill-none)"),
    marks: count("path.fill-none"),
  }).toEqual(shown);
  expect(screen.getAllByRole("listitem").map(({ textContent }) => textContent)).toEqual([
    "1Sit",
    "2Write",
  ]);
});

test("what is written on the board is kept stroke by stroke, taken back, wiped and brought back", async () => {
  serve(`GET ${WRITTEN}`, { strokes: [] });
  serve(`PUT ${WRITTEN}`, { strokes: [] });
  const { user } = putUp(<WriteHere lesson={7} kind="own" part={null} rows={1} copy="l l l" />);
  const surface = await screen.findByRole("application");
  expect(press("Wipe")).toBeDisabled();
  strokeDown(surface, 40);
  strokeDown(surface, 90);
  const kept = () =>
    askedOf(`PUT ${WRITTEN}`).map(({ body }) => (body as { strokes: unknown[] }).strokes.length);
  await vi.waitFor(() => {
    expect(kept()).toEqual([1, 2]);
  });
  await user.keyboard("z");
  await user.click(press("Wipe"));
  await user.click(press("Bring it back"));
  await vi.waitFor(() => {
    expect(kept()).toEqual([1, 2, 1, 0, 1]);
  });
});

test("ink that was not kept stays on the board, and that is said", async () => {
  serve(`GET ${WRITTEN}`, { strokes: [] });
  refuse(`PUT ${WRITTEN}`, "The disk is full.");
  putUp(<WriteHere lesson={7} kind="own" part={null} rows={1} copy="l l l" />);
  strokeDown(await screen.findByRole("application"), 40);
  expect(await screen.findByRole("alert")).toHaveTextContent("Not kept: The disk is full.");
  expect(press("Take back a stroke")).toBeEnabled();
});

const inked = () => document.querySelectorAll("svg .stroke-ink").length;

test("taking turns: the letter is made, then there is only where it begins, three times", async () => {
  const { user } = putUp(<TurnsStep parts={["l"]} />);
  await screen.findByText("Watch, then write");
  for (const turn of [1, 2, 3]) {
    await user.keyboard(" ");
    expect(screen.getByText("I write")).toBeVisible();
    expect(screen.getByText(`${String(turn)} of 3`)).toBeVisible();
    await user.keyboard(" ");
    expect(await screen.findByText("Now you write")).toBeVisible();
    expect(inked()).toBe(0);
    expect(document.querySelectorAll("svg circle.fill-ember")).toHaveLength(1);
  }
  await user.keyboard(" ");
  expect(screen.getByText("Watch, then write")).toBeVisible();
  expect(inked()).toBeGreaterThan(0);
});

test("taking turns: when the time is over, the board goes on by itself", async () => {
  vi.useFakeTimers({ toFake: ["setInterval", "clearInterval"] });
  const { user } = putUp(<TurnsStep parts={["l"]} />);
  await screen.findByText("Watch, then write");
  await user.keyboard(" ");
  await user.keyboard(" ");
  expect(await screen.findByRole("img", { name: "The time there is to write" })).toBeVisible();
  act(() => {
    vi.advanceTimersByTime(60_000);
  });
  expect(screen.getByText("2 of 3")).toBeVisible();
});

test("words: a counter a sound, then the letters, then the lines; the word is not given away", async () => {
  serve("GET /api/show/text", [L_DRAWING]);
  const { user } = putUp(
    <WordsStep told={["Cross it out."]} words={[word("ship", ["sh", "i", "p"]), word("lid")]} />,
  );
  const boxes = () => screen.getByRole("list");
  expect(boxes()).toHaveAccessibleName("3 sounds: 0 counted");
  expect(screen.queryByText("ship")).toBeNull();
  await user.keyboard("  ");
  expect(boxes()).toHaveAccessibleName("3 sounds: 2 counted");
  await user.keyboard("  ");
  expect(boxes()).toHaveAccessibleName("3 sounds: sh, i, p");
  expect(screen.getByRole("radio", { name: "ship" })).toBeChecked();
  await user.click(screen.getByRole("button", { name: "Write it" }));
  expect(await screen.findByRole("img")).toBeVisible();
  await user.click(screen.getByRole("button", { name: "Next word" }));
  expect(boxes()).toHaveAccessibleName("3 sounds: 0 counted");
  expect(screen.queryByText("lid")).toBeNull();
});
