/** A hand of one's own: what was written of a letter, how letters join, the font that is saved. */
import { screen, waitFor, within } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { JoinsOut, SampleOut } from "../../api/schema";
import { LINES } from "../../test/samples";
import { strokeDown } from "../../test/pen";
import { putUp } from "../../test/screen";
import { askedOf, refuse, serve } from "../../test/server";
import { FontPart } from "./FontPart";
import { JoinsTable } from "./JoinsTable";
import { Samples } from "./Samples";

const DOWN: SampleOut["strokes"] = [
  {
    points: [
      [0, 1, 0, null],
      [0, 0, 300, null],
    ],
  },
];
const GOOD: SampleOut = { id: 5, strokes: DOWN, right_by: 0, problem: null };
const SHAKY: SampleOut = {
  ...GOOD,
  id: 8,
  problem: { code: "too_shaky", say: "The line shakes: write it once more, at your own pace." },
};
const JOINS: JoinsOut = {
  worst: [
    { pair: "ov", how: "a lift and a turn", effort: 1.8, picture: { text: "ov", strokes: [] } },
  ],
  joined: 540,
  pairs: 676,
  lifts_after: ["g", "j"],
  lifts_before: [],
  lines: LINES,
};
const WORD = "POST /api/plan/own-hands/ours/words";

/** happy-dom lays nothing out: a box of some size, so that there is a sheet to write on. */
beforeEach(() => {
  Object.defineProperties(HTMLElement.prototype, {
    clientHeight: { configurable: true, value: 400 },
    clientWidth: { configurable: true, value: 600 },
  });
  serve("GET /api/plan/own-hands/ours/joins", JOINS);
});

test("of a sample that is none it is said why, and the one that is meant is taken back", async () => {
  const onTakeBack = vi.fn();
  const { user } = putUp(
    <Samples letter="l" samples={[GOOD, SHAKY]} lines={LINES} onTakeBack={onTakeBack} />,
  );
  expect(within(screen.getByRole("list")).getAllByRole("listitem")).toHaveLength(2);
  expect(screen.getByRole("status")).toHaveTextContent("The line shakes");
  await user.click(screen.getByRole("button", { name: "Take back l number 2" }));
  expect(onTakeBack).toHaveBeenCalledExactlyOnceWith(8);
});

test("of a letter that was not written yet nothing is shown", () => {
  putUp(<Samples letter="l" samples={[]} lines={LINES} onTakeBack={() => undefined} />);
  expect(screen.queryByRole("list")).toBeNull();
});

test("how letters join is told by those that ask most, and after which the pen is lifted", async () => {
  putUp(<JoinsTable hand="ours" lines={LINES} words={["of", "gap"]} />);
  expect(await screen.findByText(/540 of 676 pairs are joined/)).toHaveTextContent(
    "The pen is lifted after g j.",
  );
  expect(screen.queryByText(/lifted before/)).toBeNull();
  expect(screen.getByText("a lift and a turn")).toBeVisible();
  expect(screen.getByRole("status")).toHaveTextContent("Written: of, gap.");
});

test("only what is a word is written, in small letters; kept, the sheet is free for the next", async () => {
  serve(WORD, { words: ["of"] });
  const { user } = putUp(<JoinsTable hand="ours" lines={LINES} words={[]} />);
  const line = screen.getByLabelText("I write the word");
  await user.type(line, "o");
  expect(screen.queryByRole("application")).toBeNull(); // one letter joins with none
  await user.type(line, "F");
  const sheet = await screen.findByRole("application", { name: "Write the word of" });
  expect(screen.getByRole("button", { name: "That is it" })).toBeDisabled();
  strokeDown(sheet, 90, { pointer: "pen" });
  await user.click(screen.getByRole("button", { name: "That is it" }));
  await waitFor(() => {
    expect(line).toHaveValue("");
  });
  expect(askedOf(WORD)[0]?.body).toMatchObject({ word: "of" });
  expect(screen.queryByRole("application")).toBeNull();
});

test("a word that cannot be kept is told, and its ink stays to be mended", async () => {
  refuse(WORD, "This does not read as the word of.");
  const { user } = putUp(<JoinsTable hand="ours" lines={LINES} words={[]} />);
  await user.type(screen.getByLabelText("I write the word"), "of");
  const sheet = await screen.findByRole("application");
  strokeDown(sheet, 90, { pointer: "pen" });
  await user.click(screen.getByRole("button", { name: "That is it" }));
  expect(await screen.findByRole("alert")).toHaveTextContent("This does not read as the word of.");
  expect(screen.getByRole("button", { name: "Take back a stroke" })).toBeEnabled();
});

test("a font is saved with the look, name and licence that were chosen", async () => {
  const { user } = putUp(<FontPart hand="ours" />);
  const save = screen.getByRole("link", { name: "Save the font" });
  expect(save).toHaveAttribute("download", "ours-solid.otf");
  await user.click(screen.getByRole("radio", { name: "Dotted, to trace" }));
  await user.type(screen.getByLabelText("It is called"), "Heron & Co");
  await user.type(screen.getByLabelText("Who may use it"), "our school");
  const asked = new URL(save.getAttribute("href") ?? "", "http://here");
  expect(asked.pathname).toBe("/api/plan/files/font/ours");
  expect(Object.fromEntries(asked.searchParams)).toEqual({
    style: "dotted",
    family: "Heron & Co",
    licence: "our school",
  });
  expect(save).toHaveAttribute("download", "Heron & Co-dotted.otf");
});

test("a font that cannot be made is told, and can be tried once more", async () => {
  vi.stubGlobal(
    "FontFace",
    class {
      load = () => Promise.reject(new Error("no"));
    },
  );
  const { user } = putUp(<FontPart hand="ours" />);
  await user.click(screen.getByRole("button", { name: "Type in it here" }));
  expect(await screen.findByRole("alert")).toHaveTextContent("Try once more.");
  expect(screen.getByRole("button", { name: "Type in it here" })).toBeEnabled();
  vi.unstubAllGlobals();
});
