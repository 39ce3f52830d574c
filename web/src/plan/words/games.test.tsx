/** Word games and the teacher's own words, as she makes them. */
import { screen, within } from "@testing-library/react";
import { beforeEach, expect, test } from "vitest";

import { lesson, today, word } from "../../test/samples";
import { putUp } from "../../test/screen";
import { type Asked, askedOf, refuse, serve } from "../../test/server";
import { Chains } from "./Chains";
import { MissingPairs } from "./MissingPairs";
import { OwnWords } from "./OwnWords";

const CHANGES = "POST /api/plan/lessons/7/changes";
const CHAIN = { words: [word("pin"), word("pan"), word("tan")] };

beforeEach(() => {
  serve("GET /api/plan/today", today());
  serve("GET /api/plan/chain", CHAIN);
});

const chainShown = async () =>
  within(await screen.findByRole("list", { name: "The chain" }))
    .getAllByRole("img")
    .map((one) => one.getAttribute("aria-label")?.split(":")[0]);

test("a chain is as long as she asks, within what a lesson holds", async () => {
  const { user } = putUp(<Chains allLetters={false} />);
  expect(await chainShown()).toEqual(["pin", "pan", "tan"]);
  const fewer = screen.getByRole("button", { name: "A word fewer" });
  await user.click(fewer);
  await user.click(fewer);
  await user.click(fewer);
  expect(screen.getByRole("status")).toHaveTextContent("3 words");
  expect(fewer).toBeDisabled();
  expect(askedOf("GET /api/plan/chain").at(-1)?.query).toMatchObject({ length: "3" });
});

test("with both ends the shortest way is asked for, and its length is not hers to choose", async () => {
  serve("GET /api/plan/chain/tan", { words: [word("pin"), word("tin"), word("tan")] });
  const { user } = putUp(<Chains allLetters />);
  await user.type(screen.getByRole("textbox", { name: "End with, or leave open" }), "Tan");
  expect(screen.getByText("Type a word to begin with as well.")).toBeVisible();
  await user.type(screen.getByRole("textbox", { name: "Begin with" }), "pin ");
  await screen.findByRole("img", { name: /^tin/ });
  expect(screen.queryByRole("button", { name: "A word more" })).toBeNull();
  expect(askedOf("GET /api/plan/chain/tan").at(-1)?.query).toEqual({
    start: "pin",
    all_letters: "true",
  });
});

test("no chain is said in words that name what was asked", async () => {
  serve("GET /api/plan/chain", { words: [] });
  const { user } = putUp(<Chains allLetters={false} />);
  await user.type(screen.getByRole("textbox", { name: "Begin with" }), "zip");
  expect(await screen.findByText(/There is no such chain from “zip” with/)).toBeVisible();
});

test("a chain becomes the lesson's words, and they can be taken back", async () => {
  serve(CHANGES, ({ body }: Asked) => lesson({ words: (body as { words: string[] }).words }));
  const { user } = putUp(<Chains allLetters={false} />);
  await user.click(await screen.findByRole("button", { name: "Take as today's words" }));
  expect(await screen.findByRole("button", { name: "These are today's words" })).toBeDisabled();
  await user.click(screen.getByRole("button", { name: "Take back" }));
  expect(await screen.findByRole("button", { name: "Take as today's words" })).toBeEnabled();
  expect(askedOf(CHANGES).map(({ body }) => body)).toEqual([
    { do: "words", words: ["pin", "pan", "tan"] },
    { do: "words", words: ["lid", "lip"] },
  ]);
});

test("without a lesson to come the chain has nowhere to go", async () => {
  serve("GET /api/plan/today", today({ lesson: lesson({ given: true }) }));
  putUp(<Chains allLetters={false} />);
  expect(await screen.findByText(/Plan today's lesson, and the chain can go/)).toBeVisible();
  expect(screen.queryByRole("button", { name: "Take as today's words" })).toBeNull();
});

test("a missing pair is uncovered and covered again, each word by itself", async () => {
  serve("GET /api/plan/missing-pairs", [
    { word: "ship", left: [null, null, "i", "p"], answers: ["sh", "ch"] },
    { word: "moth", left: ["m", "o", null, null], answers: ["th"] },
  ]);
  const { user } = putUp(<MissingPairs allLetters={false} />);
  const [ship, moth] = await screen.findAllByRole("button");
  if (!ship || !moth) throw new Error("two puzzles are served");
  await user.click(ship);
  expect(ship).toHaveAttribute("aria-expanded", "true");
  expect(moth).toHaveAttribute("aria-expanded", "false");
  await user.click(ship);
  expect(ship).toHaveAttribute("aria-expanded", "false");
});

test("her own word is sent as she noted it, and the field is free for the next", async () => {
  const words = [word("Jori")];
  serve("GET /api/plan/own-words", () => words);
  serve("POST /api/plan/own-words", () => {
    words.push(word("going", ["g", "o", "i", "ng"]));
    return words;
  });
  const { user } = putUp(<OwnWords />);
  const field = screen.getByRole("textbox", { name: "A new word" });
  const add = screen.getByRole("button", { name: "Add" });
  expect(add).toBeDisabled();
  await user.type(field, " go.ing{Enter}");
  expect(await screen.findByRole("img", { name: "going: g o i ng" })).toBeVisible();
  expect(askedOf("POST /api/plan/own-words")[0]?.body).toEqual({ noted: "go.ing" });
  expect(field).toHaveValue("");
});

test("a word that is refused stays in the field, with the reason beside it", async () => {
  serve("GET /api/plan/own-words", []);
  refuse("POST /api/plan/own-words", "A word is letters only.");
  const { user } = putUp(<OwnWords />);
  expect(await screen.findByText("None yet.")).toBeVisible();
  await user.type(screen.getByRole("textbox", { name: "A new word" }), "4x4{Enter}");
  expect(await screen.findByRole("alert")).toHaveTextContent("A word is letters only.");
  expect(screen.getByRole("textbox", { name: "A new word" })).toHaveValue("4x4");
});

test("a word is forgotten by its name", async () => {
  serve("GET /api/plan/own-words", [word("Jori")]);
  serve("DELETE /api/plan/own-words/Jori", []);
  const { user } = putUp(<OwnWords />);
  await user.click(await screen.findByRole("button", { name: "Forget Jori" }));
  expect(askedOf("DELETE /api/plan/own-words/Jori")).toHaveLength(1);
});
