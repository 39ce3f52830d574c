/** The day's plan as she changes it: each thing is sent as what she did, and the answer is shown. */
import { screen, within } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { PickedOut } from "../../api/schema";
import { ALPHABET, lesson, step, today, word } from "../../test/samples";
import { putUp } from "../../test/screen";
import { askedOf, refuse, serve } from "../../test/server";
import { ChooseNew } from "./ChooseNew";
import { LessonSteps } from "./LessonSteps";
import { WordPicker } from "./WordPicker";

const RANGE = { shortest: 5, longest: 40, step: 0.5 };

function steps(given = lesson()) {
  const onChange = vi.fn();
  const made = putUp(
    <LessonSteps lesson={given} range={RANGE} onChange={onChange}>
      {null}
    </LessonSteps>,
  );
  return { ...made, onChange };
}

test("a step is left out and taken in by its tick", async () => {
  const { user, onChange } = steps();
  await user.click(screen.getByRole("checkbox", { name: "The show step is in the lesson" }));
  expect(onChange.mock.calls).toEqual([[{ do: "skip", kind: "show", skipped: true }]]);
});

test("a step that is left out has no minutes", () => {
  steps(lesson({ steps: [step("settle", { skipped: true })] }));
  expect(screen.queryByRole("button", { name: /More time/ })).toBeNull();
});

test("minutes go by the lesson's own step and stop at its ends", async () => {
  const given = [step("settle", { minutes: 0.5 }), step("show", { minutes: 40 })];
  const { user, onChange } = steps(lesson({ steps: given }));
  expect(screen.getByRole("button", { name: "Less time for The settle step" })).toBeDisabled();
  expect(screen.getByRole("button", { name: "More time for The show step" })).toBeDisabled();
  expect(screen.getByText("½ min")).toBeVisible();
  await user.click(screen.getByRole("button", { name: "More time for The settle step" }));
  expect(onChange.mock.calls).toEqual([[{ do: "time", kind: "settle", minutes: 1 }]]);
});

test("a step is moved by its arrows, or from its note with Shift and an arrow", async () => {
  const { user, onChange } = steps();
  await user.click(screen.getByRole("button", { name: "The show step later" }));
  await user.click(screen.getByRole("textbox", { name: "Note on The close step" }));
  await user.keyboard("{Shift>}{ArrowUp}{/Shift}{ArrowDown}");
  expect(onChange.mock.calls).toEqual([
    [{ do: "move", kind: "show", by: 1 }],
    [{ do: "move", kind: "close", by: -1 }],
  ]);
});

test("a note is sent once it is left, and only when it changed", async () => {
  const { user, onChange } = steps();
  const note = screen.getByRole("textbox", { name: "Note on The show step" });
  await user.click(note);
  await user.tab();
  expect(onChange).not.toHaveBeenCalled();
  await user.type(note, "big arm first");
  await user.tab();
  expect(onChange.mock.calls).toEqual([[{ do: "note", kind: "show", note: "big arm first" }]]);
});

test("minutes that do not add up can be shared out anew", async () => {
  const { user, onChange } = steps(lesson({ spent: 17 }));
  expect(screen.getByText("17 of 15 minutes")).toBeVisible();
  await user.click(screen.getByRole("button", { name: "Share out anew" }));
  expect(onChange.mock.calls).toEqual([[{ do: "share_out" }]]);
});

test("minutes that add up need no sharing out", () => {
  steps();
  expect(screen.queryByRole("button", { name: "Share out anew" })).toBeNull();
});

function picked(text: string, untaught: string[] = []): PickedOut {
  return { word: word(text), families: Array.from(text, () => "Straight down"), untaught };
}

test("words stand by where the letter is in them; places without words are left out", async () => {
  serve("GET /api/plan/picker", [
    { where: "first", count: 2, words: [picked("lid"), picked("lip")] },
    { where: "last", count: 0, words: [] },
  ]);
  const onTake = vi.fn();
  const { user } = putUp(<WordPicker part="l" chosen={["lip"]} onTake={onTake} />);
  const first = within(await screen.findByRole("region", { name: "l at the start" }));
  expect(first.getByRole("button", { name: "lip" })).toHaveAttribute("aria-pressed", "true");
  expect(screen.queryByRole("region", { name: "l at the end" })).toBeNull();
  await user.click(first.getByRole("button", { name: "lid" }));
  expect(onTake.mock.calls).toEqual([["lid"]]);
});

test("words with one letter more are asked for, and say which letter they need", async () => {
  serve("GET /api/plan/picker", ({ query }: { query: Record<string, string> }) => [
    {
      where: "first",
      count: 1,
      words: [query.untaught === "1" ? picked("lob", ["o"]) : picked("lid")],
    },
  ]);
  const { user } = putUp(<WordPicker part="l" chosen={[]} onTake={vi.fn()} />);
  await user.click(await screen.findByRole("checkbox", { name: /one letter that is not taught/ }));
  expect(await screen.findByRole("button", { name: "lob, needs o" })).toBeVisible();
});

test("words can be looked at as the families of their letters", async () => {
  serve("GET /api/plan/picker", [{ where: "first", count: 1, words: [picked("lid")] }]);
  const { user } = putUp(<WordPicker part="l" chosen={[]} onTake={vi.fn()} />);
  await user.click(await screen.findByRole("checkbox", { name: "Words as their families" }));
  expect(screen.getByText("Straight down")).toBeVisible();
});

const DAY = today({
  lesson: null,
  next: [
    { new: ["l"], why: "next in the order" },
    { new: ["s", "h"], why: "a pair" },
  ],
});

beforeEach(() => {
  serve("GET /api/show/alphabet", ALPHABET);
  serve("GET /api/plan/lessons/proposal", lesson({ id: 0 }));
});

test("what comes next is offered first; another choice is planned as it was chosen", async () => {
  serve("POST /api/plan/lessons", lesson());
  const { user } = putUp(<ChooseNew today={DAY} />);
  expect(screen.getByRole("radio", { name: "l: next in the order" })).toBeChecked();
  await user.click(screen.getByRole("radio", { name: "s h: a pair" }));
  await user.click(screen.getByRole("button", { name: "Plan the lesson on s h" }));
  await vi.waitFor(() => {
    expect(askedOf("POST /api/plan/lessons").map(({ body }) => body)).toEqual([
      { new: ["s", "h"], shape: "short", minutes: null },
    ]);
  });
});

test("a full lesson has the minutes that the class has", async () => {
  serve("POST /api/plan/lessons", lesson());
  const { user } = putUp(<ChooseNew today={DAY} />);
  await user.click(screen.getByRole("radio", { name: "Full" }));
  await user.click(screen.getByRole("button", { name: "Plan the lesson on l" }));
  await vi.waitFor(() => {
    expect(askedOf("POST /api/plan/lessons")[0]?.body).toEqual({
      new: ["l"],
      shape: "full",
      minutes: 15,
    });
  });
});

test("a family that is taught is looked back on; nothing is planned before one is chosen", async () => {
  serve("POST /api/plan/lessons", lesson());
  const { user } = putUp(<ChooseNew today={DAY} />);
  await user.click(screen.getByRole("radio", { name: "Look back" }));
  expect(screen.getByRole("button", { name: "Plan the lesson on …" })).toBeDisabled();
  await user.click(screen.getByRole("radio", { name: "Straight down: i l" }));
  await user.click(screen.getByRole("button", { name: "Plan the lesson on i l" }));
  await vi.waitFor(() => {
    expect(askedOf("POST /api/plan/lessons")[0]?.body).toMatchObject({
      new: ["i", "l"],
      shape: "look_back",
    });
  });
});

test("a habit of several children is mended in the letters that show it", async () => {
  serve("POST /api/plan/lessons", lesson());
  serve("GET /api/plan/habits", [
    { code: "open_gap", what: "close it all the way", letters: ["o", "a"], children: 4 },
  ]);
  const { user } = putUp(<ChooseNew today={DAY} />);
  await user.click(screen.getByRole("radio", { name: "Mend a habit" }));
  await user.click(await screen.findByRole("radio", { name: "close it all the way" }));
  expect(screen.getByText("4 children in four weeks")).toBeVisible();
  await user.click(screen.getByRole("button", { name: "Plan the lesson on o a" }));
  await vi.waitFor(() => {
    expect(askedOf("POST /api/plan/lessons")[0]?.body).toMatchObject({
      new: ["o", "a"],
      shape: "mend",
      habit: "open_gap",
    });
  });
});

test("a lesson of words needs no letter", async () => {
  const { user } = putUp(<ChooseNew today={DAY} />);
  await user.click(screen.getByRole("radio", { name: "Words" }));
  expect(screen.getByRole("button", { name: "Plan the lesson" })).toBeEnabled();
});

test("the aim, all steps, and how letters come round are the teacher's to say", async () => {
  const given = lesson({ new: ["n", "m"], shape: "short", aim: "Today you will write n and m." });
  const { user, onChange } = steps(given);
  const aim = screen.getByRole("textbox", { name: "Aim" });
  await user.clear(aim);
  await user.type(aim, "Today we start at the top.");
  await user.tab();
  await user.click(screen.getByRole("radio", { name: "step by step" }));
  await user.click(screen.getByRole("button", { name: "All steps" }));
  expect(onChange.mock.calls).toEqual([
    [{ do: "aim", aim: "Today we start at the top." }],
    [{ do: "rounds", rounds: "by_step" }],
    [{ do: "shape", shape: "full" }],
  ]);
});

test("only what the hand has can be typed", async () => {
  const { user } = putUp(<ChooseNew today={DAY} />);
  const field = await screen.findByRole("textbox", { name: /Or others/ });
  await vi.waitFor(() => {
    expect(askedOf("GET /api/show/alphabet")).toHaveLength(1);
  });
  await user.clear(field);
  expect(screen.getByRole("button", { name: "Plan the lesson on …" })).toBeDisabled();
  await user.type(field, "N§ l");
  expect(field).toHaveValue("N l");
});

test("her own number of minutes is kept within what a lesson can be", async () => {
  serve("PUT /api/plan/language", DAY.language);
  const { user } = putUp(<ChooseNew today={DAY} />);
  await user.click(screen.getByRole("radio", { name: "Full" }));
  const own = screen.getByRole("spinbutton", { name: "your own" });
  await user.clear(own);
  await user.type(own, "90");
  await user.tab();
  expect(askedOf("PUT /api/plan/language")[0]?.body).toMatchObject({ minutes: 40 });
});

test("a lesson that cannot be planned says why", async () => {
  refuse("POST /api/plan/lessons", "There is a lesson for today already.");
  const { user } = putUp(<ChooseNew today={DAY} />);
  await user.click(screen.getByRole("button", { name: "Plan the lesson on l" }));
  expect(await screen.findByText("There is a lesson for today already.")).toBeVisible();
});
