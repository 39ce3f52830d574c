import { screen, within } from "@testing-library/react";
import { beforeEach, expect, test } from "vitest";

import type { LetterState, MapOut, MapRow, PupilOut } from "../api/schema";
import { ALPHABET, CLASSROOM, JORI, MILA } from "../test/samples";
import { putUp } from "../test/screen";
import { askedOf, refuse, serve } from "../test/server";
import { GrowStation } from "./GrowStation";

function row(pupil: PupilOut, states: LetterState[], size: LetterState[] = states): MapRow {
  const chances = states.map((state) =>
    state === "unknown" ? null : { likely: 82, low: 68, high: 91 },
  );
  return {
    pupil,
    states: { weakest: size, direction: states, size, shape: states },
    chances: { direction: chances, size: chances, shape: chances },
    written: states.map((state) => (state === "unknown" ? 0 : 14)),
    moved: [],
  };
}

const MAP: MapOut = {
  day: "2026-03-27",
  first: "2026-03-02",
  today: "2026-03-27",
  families: [
    { name: "Down and off", letters: ["l"] },
    { name: "Down, up and over", letters: ["n", "h"] },
  ],
  taught: [0, 1],
  rows: [
    row(MILA, ["secure", "nearly", "unknown"], ["not_yet", "nearly", "unknown"]),
    {
      ...row(JORI, ["secure", "not_yet", "unknown"]),
      moved: [
        { letter: "l", before: "nearly", now: "secure" },
        { letter: "n", before: "nearly", now: "not_yet" },
      ],
    },
  ],
  weakest: { children: 2, letters: ["n"], slip: null },
  slip: { children: 1, letters: ["n", "h"], slip: "starts elsewhere" },
};

beforeEach(() => {
  serve("GET /api/grow/map", MAP);
  serve("GET /api/classroom", CLASSROOM);
  serve("GET /api/show/alphabet", ALPHABET);
});

test("a square says how the letter stands, in all three or in one dimension", async () => {
  const { user } = putUp(<GrowStation />);
  expect(await screen.findByRole("gridcell", { name: "Mila, l: not yet" })).toBeVisible();
  await user.click(screen.getByRole("radio", { name: "Shape" }));
  expect(screen.getByRole("gridcell", { name: "Mila, l: secure" })).toBeVisible();
  expect(screen.getByRole("gridcell", { name: "Mila, h: too little to say" })).toBeVisible();
});

test("a square that is chosen tells how sure it is, and opens what was written", async () => {
  const { user } = putUp(<GrowStation />);
  await user.click(await screen.findByRole("gridcell", { name: "Mila, l: not yet" }));
  const told = screen.getByRole("region", { name: "Mila, l" });
  expect(within(told).getByText("Size not yet")).toBeVisible();
  expect(within(told).getAllByText("will hold 82 times in 100 (68 to 91)")).toHaveLength(3);
  expect(within(told).getByRole("link", { name: "See what was written" })).toHaveAttribute(
    "href",
    "/check/l?pupil=1",
  );
});

test("arrow keys go from square to square, and one of them is come to by tab", async () => {
  const { user } = putUp(<GrowStation />);
  const first = await screen.findByRole("gridcell", { name: "Mila, l: not yet" });
  expect(screen.getAllByRole("gridcell").filter(({ tabIndex }) => tabIndex === 0)).toEqual([first]);
  first.focus();
  await user.keyboard("{ArrowRight}{ArrowDown}");
  expect(screen.getByRole("gridcell", { name: "Jori, n: not yet" })).toHaveFocus();
  await user.keyboard("{End}{ArrowDown}");
  expect(screen.getByRole("gridcell", { name: "Jori, h: too little to say" })).toHaveFocus();
  expect(screen.getByText("Not written yet.")).toBeVisible();
});

test("another day is asked for, a week or a day at a time", async () => {
  const { user } = putUp(<GrowStation />);
  expect(await screen.findByText("Today")).toBeVisible();
  expect(screen.getByRole("button", { name: "A week on" })).toBeDisabled();
  serve("GET /api/grow/map", { ...MAP, day: "2026-03-20" });
  await user.click(screen.getByRole("button", { name: "A week back" }));
  expect(screen.getByText("Fri, 20 March 2026")).toBeVisible();
  screen.getByRole("slider", { name: "Day of the map" }).focus();
  await user.keyboard("{ArrowLeft}");
  expect(await screen.findByText("Thu, 19 March 2026")).toBeVisible();
  const days = askedOf("GET /api/grow/map").map(({ query }) => query.day);
  expect(days).toEqual([undefined, "2026-03-20", "2026-03-19"]);
});

test("who moved is told by name, and what most have in common", async () => {
  putUp(<GrowStation />);
  const moved = within(await screen.findByRole("region", { name: "Who moved" }));
  expect(moved.getByRole("listitem")).toHaveTextContent("Jori: l now secure, n now only not yet");
  expect(screen.getByText(/not yet for 2 children/)).toBeVisible();
  expect(screen.getByText("starts elsewhere")).toBeVisible();
});

test("a child's own limits are set beside its letters", async () => {
  serve("PUT /api/classroom/pupils/2/stage", CLASSROOM);
  const { user } = putUp(<GrowStation />);
  await user.click(await screen.findByRole("gridcell", { name: "Jori, l: secure" }));
  const pick = screen.getByRole("combobox", { name: "Jori is checked" });
  expect(pick).toHaveTextContent("beginning");
  pick.focus();
  await user.keyboard("{Enter}");
  await user.click(await screen.findByRole("option", { name: "as the class" }));
  expect(askedOf("PUT /api/classroom/pupils/2/stage")[0]?.body).toEqual({ stage: null });
});

test("a class without children says so; a record that fails can be asked again", async () => {
  refuse("GET /api/grow/map", "The record is busy.");
  const { user } = putUp(<GrowStation />);
  expect(await screen.findByRole("alert")).toHaveTextContent("The record is busy.");
  serve("GET /api/grow/map", { ...MAP, rows: [] });
  await user.click(screen.getByRole("button", { name: "Try again" }));
  expect(await screen.findByText("There are no children in this class yet.")).toBeVisible();
});
