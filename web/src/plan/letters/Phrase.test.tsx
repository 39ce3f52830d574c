import { screen } from "@testing-library/react";
import { beforeEach, expect, test } from "vitest";

import type { LetterPage, MoveWordsOut } from "../../api/schema";
import { putUp } from "../../test/screen";
import { askedOf, refuse, serve } from "../../test/server";
import { Phrase } from "./Phrase";

const KEEP = "PUT /api/plan/phrases";

function move(key: string, words: string, other: Partial<MoveWordsOut> = {}): MoveWordsOut {
  return { key, words, ours: words, changed_here: false, changed_everywhere: false, ...other };
}

function page(...moves: MoveWordsOut[][]): LetterPage {
  const nothing = { forms: [], relatives: [], slips: [], words: [], word_count: 0 };
  const starts = moves.map((_, at) =>
    at ? move("start-dot-above", "above") : move("start-at-mid", "at the mid line"),
  );
  return { letter: "n", starts, moves, family: null, ...nothing };
}

const N = page([move("drop", "down"), move("back", "back up"), move("arch", "over")]);

beforeEach(() => {
  serve(KEEP, {});
});

const kept = () => askedOf(KEEP).map(({ body }) => body);

test("moves are counted through all strokes", () => {
  putUp(<Phrase page={page([move("drop", "down")], [move("dot", "dot")])} />);
  expect(screen.getAllByRole("button").map(({ textContent }) => textContent)).toEqual([
    "startat the mid line",
    "1down",
    "lift, then startabove",
    "2dot",
  ]);
});

test("where a stroke begins is reworded like a move", async () => {
  const { user } = putUp(<Phrase page={N} />);
  await user.click(screen.getByRole("button", { name: /at the mid line/ }));
  await user.clear(screen.getByRole("textbox", { name: "In your words" }));
  await user.keyboard("on the dots");
  await user.click(screen.getByRole("button", { name: "Only in n" }));
  expect(kept()).toEqual([
    { key: "start-at-mid", words: "on the dots", letter: "n", stroke: 0, move: 0 },
  ]);
});

test("a move is reworded in every letter by Enter", async () => {
  const { user } = putUp(<Phrase page={N} />);
  await user.click(screen.getByRole("button", { name: /over/ }));
  expect(screen.getByRole("textbox", { name: "In your words" })).toHaveFocus();
  await user.keyboard(" the hill{Enter}");
  expect(kept()).toEqual([{ key: "arch", words: "over the hill", stroke: 0, move: 0 }]);
});

test("or only in this letter, at its place", async () => {
  const { user } = putUp(<Phrase page={N} />);
  await user.click(screen.getByRole("button", { name: /back up/ }));
  await user.keyboard(" the pole");
  await user.click(screen.getByRole("button", { name: "Only in n" }));
  expect(kept()).toEqual([
    { key: "back", words: "back up the pole", stroke: 0, move: 1, letter: "n" },
  ]);
});

test.each([
  ["here", { changed_here: true }, { letter: "n", stroke: 0, move: 0 }],
  ["everywhere", { changed_everywhere: true }, { stroke: 0, move: 0 }],
])("ours comes back where it was changed: %s", async (_, changed, place) => {
  const drop = move("drop", "straight down", { ours: "down", ...changed });
  const { user } = putUp(<Phrase page={page([drop])} />);
  await user.click(screen.getByRole("button", { name: /straight down/ }));
  await user.click(screen.getByRole("button", { name: "Back to “down”" }));
  expect(kept()).toEqual([{ key: "drop", words: "", ...place }]);
});

test("words that are not kept are told", async () => {
  refuse(KEEP, "At most 60 letters.");
  const { user } = putUp(<Phrase page={N} />);
  await user.click(screen.getByRole("button", { name: /down/ }));
  await user.keyboard("{Enter}");
  expect(await screen.findByRole("alert")).toHaveTextContent("At most 60 letters.");
});
