/** Single steps of the lesson on the board: what they show, and when. */
import { act, screen } from "@testing-library/react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";

import { CLASSROOM, L_DRAWING, stop, word } from "../../test/samples";
import { strokeDown } from "../../test/pen";
import { putUp } from "../../test/screen";
import { askedOf, refuse, serve } from "../../test/server";
import { MemoryStep } from "./MemoryStep";
import { PupilsWork } from "./PupilsWork";
import { RubOut } from "./RubOut";
import { SentenceStep } from "./SentenceStep";
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

test("taking turns: when the time is over, the board waits until she goes on", async () => {
  vi.useFakeTimers({ toFake: ["setInterval", "clearInterval"] });
  const { user } = putUp(<TurnsStep parts={["l"]} />);
  await screen.findByText("Watch, then write");
  await user.keyboard(" ");
  await user.keyboard(" ");
  expect(await screen.findByRole("img", { name: "The time there is to write" })).toBeVisible();
  act(() => {
    vi.advanceTimersByTime(60_000);
  });
  expect(screen.getByText("Finish your letter, pencils down")).toBeVisible();
  expect(screen.getByText("1 of 3")).toBeVisible();
  await user.keyboard(" ");
  expect(screen.getByText("2 of 3")).toBeVisible();
});

const move = (of: number, words: string) => ({
  ...(L_DRAWING.strokes[0]?.[0] ?? never()),
  of,
  words,
});

function never(): never {
  throw new Error("the sample has no move");
}

/** A drawn word of three letters, a move each. */
const PIN = {
  ...L_DRAWING,
  letter: "pin",
  strokes: [[move(0, "p goes down")], [move(1, "i goes down")], [move(2, "n goes down")]],
};
const boxes = () => screen.getByRole("list", { name: /sounds/ });
const said = () => screen.getAllByRole("status").map(({ textContent }) => textContent);

test("words that are heard: counted, written by the class, then shown sound by sound", async () => {
  serve("GET /api/show/text", [PIN]);
  serve("GET /api/show/watch", []);
  const words = [word("pin"), word("lid")];
  const { user } = putUp(<WordsStep heard told={["Tick it."]} words={words} />);
  expect(boxes()).toHaveAccessibleName("3 sounds: 0 counted");
  await user.keyboard("   ");
  expect(boxes()).toHaveAccessibleName("3 sounds: 3 counted");
  expect(screen.queryByText("pin")).toBeNull();
  await user.click(press("Now they write"));
  expect(said()).toEqual(["You write: a letter, or letters together, for each sound."]);
  expect(screen.queryByRole("img")).toBeNull();
  await user.click(press("Show it, sound by sound"));
  expect(boxes()).toHaveAccessibleName("3 sounds: p");
  expect(await screen.findByText("p: p goes down")).toBeVisible();
  expect(screen.queryByRole("radio", { name: "pin" })).toBeNull();
  await user.keyboard("  ");
  expect(boxes()).toHaveAccessibleName("3 sounds: p, i, n");
  expect(said()).toEqual(["Look, sound by sound: is yours like this?", "n: n goes down"]);
  await user.click(press("The whole word"));
  expect(screen.getByRole("radio", { name: "pin" })).toBeChecked();
  expect(said()).toEqual(["Tick it."]);
  await user.click(press("Next word"));
  expect(boxes()).toHaveAccessibleName("3 sounds: 0 counted");
  expect(screen.queryByText("lid")).toBeNull();
});

test("words that are shown stand there at once, and are written along", async () => {
  serve("GET /api/show/text", [PIN]);
  serve("GET /api/show/watch", []);
  const { user } = putUp(<WordsStep heard={false} told={["Tick it."]} words={[word("pin")]} />);
  expect(boxes()).toHaveAccessibleName("3 sounds: p, i, n");
  expect(screen.getByRole("radio", { name: "pin" })).toBeChecked();
  await user.click(press("Write along"));
  expect(await screen.findByText("p: p goes down")).toBeVisible();
  await user.keyboard("   ");
  expect(said()).toEqual(["Tick it."]);
  expect(screen.queryByRole("button", { name: "Next word" })).toBeNull();
});

test.each([
  [false, true],
  [true, false],
])(
  "a sentence that is heard (%s) is hidden while it is written, then shown",
  async (heard, seen) => {
    serve("GET /api/show/text", [
      { ...L_DRAWING, letter: "Is" },
      { ...L_DRAWING, letter: "it?" },
    ]);
    const { user } = putUp(<SentenceStep text="Is it?" gap="" heard={heard} />);
    if (seen) expect(await screen.findByRole("img", { name: "Is it?" })).toBeVisible();
    else expect(screen.getByRole("img", { name: "2 words" })).toBeVisible();
    await user.click(press("Hide it, and write"));
    expect(screen.queryByRole("img", { name: "Is it?" })).toBeNull();
    await user.keyboard(" ");
    expect(await screen.findByRole("img", { name: "Is it?" })).toBeVisible();
  },
);

test("a sentence with a gap leaves that word out until it was written", async () => {
  serve("GET /api/show/text", [
    { ...L_DRAWING, letter: "Is" },
    { ...L_DRAWING, letter: "it?" },
  ]);
  const { user } = putUp(<SentenceStep text="Is it?" gap="it" heard={false} />);
  expect(await screen.findByRole("img", { name: "Is …" })).toBeVisible();
  await user.keyboard("  ");
  expect(await screen.findByRole("img", { name: "Is it?" })).toBeVisible();
});

test("a word is described, found and rubbed out; the last one is read", async () => {
  serve("GET /api/show/text", [L_DRAWING]);
  const { user } = putUp(<RubOut words={[word("pin"), word("lid"), word("tap")]} />);
  await user.click(press("Rub out lid"));
  expect(screen.getByRole("button", { name: "lid, rubbed out" })).toBeDisabled();
  await user.click(press("Rub out pin"));
  expect(said()).toEqual(["One is left: read it together."]);
  expect(press("Rub out tap")).toBeDisabled();
  await user.click(press("Bring the last back"));
  expect(press("Rub out pin")).toBeEnabled();
});
