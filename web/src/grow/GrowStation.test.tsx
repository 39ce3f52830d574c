import { screen, within } from "@testing-library/react";
import { beforeEach, expect, test } from "vitest";

import type { GrowOut, LetterStanding } from "../api/schema";
import { ALPHABET, CLASSROOM, JORI, MILA, verdicts } from "../test/samples";
import { putUp } from "../test/screen";
import { askedOf, refuse, serve } from "../test/server";
import { GrowStation } from "./GrowStation";

function standing(letter: string, attempts: number, size: "secure" | "nearly" = "secure") {
  const last_written_at = attempts > 0 ? "2026-03-02T09:30:00+00:00" : null;
  return {
    letter,
    attempts,
    verdicts: verdicts("secure", { size }),
    last_written_at,
  } satisfies LetterStanding;
}

const GROW: GrowOut = {
  letters: ["l", "n"],
  pupils: [
    { pupil: MILA, letters: [standing("l", 3, "nearly"), standing("n", 0)] },
    { pupil: JORI, letters: [standing("l", 0), standing("n", 1)] },
  ],
};

beforeEach(() => {
  serve("GET /api/grow", GROW);
  serve("GET /api/classroom", CLASSROOM);
  serve("GET /api/show/alphabet", ALPHABET);
});

test("each place says how the letter stands, and goes to the child's letters", async () => {
  putUp(<GrowStation />);
  const place = await screen.findByRole("link", {
    name: "Mila, l: direction secure, size nearly, shape secure; 3 written",
  });
  expect(place).toHaveAttribute("href", "/check/l?pupil=1");
  const row = screen.getByRole("row", { name: /Jori/ });
  expect(within(row).getAllByText("not written yet")).toHaveLength(1);
});

test("the class's stage is changed by a press, and says what it means", async () => {
  serve("PUT /api/classroom/stage", { ...CLASSROOM, stage: "secure" });
  const { user } = putUp(<GrowStation />);
  expect(await screen.findByText(/The usual limits/)).toBeVisible();
  await user.click(screen.getByRole("radio", { name: "Secure" }));
  expect(await screen.findByText(/held to a little more closely/)).toBeVisible();
  expect(askedOf("PUT /api/classroom/stage")[0]?.body).toEqual({ stage: "secure" });
});

test("a child's own stage is shown, and can be the class's again", async () => {
  serve("PUT /api/classroom/pupils/2/stage", CLASSROOM);
  const { user } = putUp(<GrowStation />);
  const pick = await screen.findByRole("combobox", { name: "Jori is checked" });
  expect(pick).toHaveTextContent("beginning");
  pick.focus();
  await user.keyboard("{Enter}");
  await user.click(await screen.findByRole("option", { name: "as the class" }));
  expect(askedOf("PUT /api/classroom/pupils/2/stage")[0]?.body).toEqual({ stage: null });
});

test("a class without children says so; a record that fails can be asked again", async () => {
  refuse("GET /api/grow", "The record is busy.");
  const { user } = putUp(<GrowStation />);
  expect(await screen.findByRole("alert")).toHaveTextContent("The record is busy.");
  serve("GET /api/grow", { letters: [], pupils: [] });
  await user.click(screen.getByRole("button", { name: "Try again" }));
  expect(await screen.findByText("There are no children in this class yet.")).toBeVisible();
});
