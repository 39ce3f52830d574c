/** Sets judged blind: nothing of anybody else's is seen, and what is compared says what it can. */
import { screen, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { beforeEach, expect, test } from "vitest";

import type { BlindLetterOut, BlindSetOut } from "../../api/schema";
import { attempt, CLASSROOM, L_DRAWING } from "../../test/samples";
import { putUp } from "../../test/screen";
import { askedOf, serve } from "../../test/server";
import { CODES } from "../../test/tableSamples";
import { JudgePage } from "./JudgePage";
import { kappaWords, SetsPage } from "./SetsPage";

const LETTERS: BlindLetterOut[] = [7, 8].map((attempt_id) => ({
  attempt_id,
  letter: "l",
  model: L_DRAWING,
  strokes: attempt(1).strokes,
  said: null,
}));
const SET: BlindSetOut = {
  id: 1,
  name: "Autumn",
  made_at: "2026-03-02T09:30:00+00:00",
  size: 20,
  readers: [
    { name: "Ms Reed", done: 20 },
    { name: "Mr Wren", done: 3 },
  ],
  through: false,
  compared: [],
};
const READERS = [
  { id: 1, name: "Ms Reed", is_you: true },
  { id: 2, name: "Mr Wren", is_you: false },
];

beforeEach(() => {
  serve("GET /api/classroom", CLASSROOM);
  serve("GET /api/check/codes", CODES);
  serve("GET /api/blind/sets", [{ id: 1, name: "Autumn", size: 20, done: 0 }]);
  serve("GET /api/blind/sets/1", LETTERS);
  serve("GET /api/check/sets", { sets: [SET], readers: READERS });
});

const judge = () =>
  putUp(
    <Routes>
      <Route path="/check/blind/:id" element={<JudgePage />} />
    </Routes>,
    "/check/blind/1",
  );

test("a letter is judged by keyboard, named if one likes, and the next one comes", async () => {
  serve("PUT /api/blind/sets/1/letters/7", undefined);
  const { user } = judge();
  expect(await screen.findByRole("heading", { level: 1 })).toHaveTextContent("Letter 1 of 2: l");
  await user.keyboard("qq");
  await user.click(screen.getByRole("button", { name: "starts elsewhere" }));
  await user.keyboard("a");
  expect(askedOf("PUT /api/blind/sets/1/letters/7")[0]?.body).toEqual({
    direction: "not_yet",
    size: "secure",
    shape: "secure",
    codes: ["start_place"],
  });
  expect(await screen.findByRole("heading", { level: 1 })).toHaveTextContent("Letter 2 of 2: l");
  expect(screen.getByRole("status")).toHaveTextContent("1 judged.");
});

test("before all are through nothing is compared", async () => {
  putUp(<SetsPage />);
  expect(await screen.findByText(/shown once everybody is through/)).toBeVisible();
  expect(screen.getByText("Ms Reed: 20 of 20 · Mr Wren: 3 of 20")).toBeVisible();
  expect(screen.getByRole("link", { name: "Judge “Autumn”" })).toHaveAttribute(
    "href",
    "/check/blind/1",
  );
});

test("each two are compared, and the letters they differ in are laid out", async () => {
  const kappa = { value: 0.72, low: 0.5, high: 0.9 };
  const two = {
    one: "The checker",
    other: "Ms Reed",
    letters: 20,
    direction: kappa,
    size: null,
    shape: null,
  };
  const compared = [{ ...two, findings: [], differ: [7] }];
  serve("GET /api/check/sets", { sets: [{ ...SET, through: true, compared }], readers: READERS });
  serve("GET /api/check/things", { attempts: [attempt(7)], texts: [] });
  serve("GET /api/show/letters/l", L_DRAWING);
  const { user } = putUp(<SetsPage />);
  const both = within(await screen.findByRole("region", { name: "The checker and Ms Reed" }));
  expect(both.getByText("0.72 (0.50 to 0.90), mostly")).toBeVisible();
  expect(both.getAllByText(/too few to say/)).toHaveLength(2);
  await user.click(both.getByRole("button", { name: "Letters to talk over: 1" }));
  expect(await both.findByRole("img", { name: "l by Mila" })).toBeVisible();
});

test("a set is chosen for her and a colleague", async () => {
  serve("POST /api/check/sets", SET);
  const { user } = putUp(<SetsPage />);
  await user.click(await screen.findByRole("combobox", { name: "Who judges it with you" }));
  await user.click(await screen.findByRole("option", { name: "You and Mr Wren" }));
  await user.click(screen.getByRole("button", { name: "Choose a new set" }));
  expect(askedOf("POST /api/check/sets")[0]?.body).toMatchObject({ size: 20, readers: [1, 2] });
});

test("kappa is told with its interval, and none for what it is", () => {
  expect(kappaWords({ value: 0.9, low: 0.7, high: 1 })).toBe("0.90 (0.70 to 1.00), nearly always");
  expect(kappaWords(null)).toMatch(/too few/);
});
