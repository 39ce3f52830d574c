import { screen } from "@testing-library/react";
import { expect, test } from "vitest";

import { word } from "../test/samples";
import { putUp } from "../test/screen";
import { SoundWord } from "./SoundWord";

function pieces(name: string): string[] {
  const spoken = screen.getByRole("img", { name });
  return Array.from(spoken.children, ({ textContent }) => textContent);
}

test("letters that share a sound share a swing of the pen", () => {
  putUp(<SoundWord word={word("ship", ["sh", "i", "p"])} />);
  expect(pieces("ship: sh i p")).toEqual(["sh", "i", "p"]);
});

test("a split pair stands in two halves, each at its place, open towards the other", () => {
  const made = { letters: "ae", at: [1, 3] };
  const { graphemes } = word("mad");
  const [m, , d] = graphemes;
  if (!m || !d) throw new Error("mad has three sounds");
  putUp(<SoundWord word={{ text: "made", graphemes: [m, made, d], by_heart: false }} />);
  expect(pieces("made: m ae d")).toEqual(["m", "a", "d", "e"]);
  const [, a, , e] = Array.from(screen.getByRole("img").children);
  expect(a?.className).toContain("border-ember");
  expect(a?.className).not.toBe(e?.className);
});

test("a word to know by heart is told as one, by ear and by its dotted swing", () => {
  putUp(<SoundWord word={word("said", ["s", "ai", "d"], true)} />);
  const spoken = screen.getByRole("img", { name: "said: s ai d, by heart" });
  expect(Array.from(spoken.children, (one) => one.className.includes("dotted"))).toEqual([
    true,
    true,
    true,
  ]);
});

test.each([
  ["a letter", { lit: "i" }, ["i"]],
  ["a pair", { lit: "sh" }, ["s", "h"]],
  ["places", { litAt: [0, 3] }, ["s", "p"]],
  ["nothing", {}, []],
])("%s stands out", (_, lit, bold) => {
  putUp(<SoundWord word={word("ship", ["sh", "i", "p"])} {...lit} />);
  const letters = Array.from(screen.getByRole("img").querySelectorAll("span > span"));
  const standing = letters.filter(({ className }) => className === "font-bold");
  expect(standing.map(({ textContent }) => textContent)).toEqual(bold);
});
