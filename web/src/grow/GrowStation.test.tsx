import { screen, within } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { LetterState, MapOut, MapRow, PupilOut } from "../api/schema";
import { ALPHABET, CLASSROOM, JORI, MILA } from "../test/samples";
import { putUp } from "../test/screen";
import { askedOf, refuse, serve } from "../test/server";
import { GrowStation } from "./GrowStation";

function row(pupil: PupilOut, states: LetterState[], size: LetterState[] = states): MapRow {
  const chances = states.map((state): [number, number, number] | null =>
    state === "unknown" ? null : [82, 68, 91],
  );
  return {
    pupil,
    states: { weakest: size, direction: states, size, shape: states },
    chances: { direction: chances, size: chances, shape: chances },
    written: states.map((state) => (state === "unknown" ? 0 : 14)),
    moved: [],
    in_words: states.map(() => "unknown" as const),
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
  in_texts: [{ what: "keeping to the line", pupils: [MILA, JORI] }],
};

beforeEach(() => {
  serve("GET /api/grow/map", MAP);
  serve("GET /api/grow/care", []);
  serve("GET /api/school/classes", { classes: [] });
  serve("GET /api/classroom", CLASSROOM);
  serve("GET /api/show/alphabet", ALPHABET);
});

test("what fails in whose words and sentences is told, each child to be opened", async () => {
  putUp(<GrowStation />);
  expect(await screen.findByText("keeping to the line")).toBeVisible();
  expect(screen.getAllByRole("link", { name: /^(Mila|Jori)$/ }).slice(-2)).toSatisfy(
    (links: HTMLAnchorElement[]) =>
      links.map((link) => link.getAttribute("href")).join(" ") === "/grow/child/1 /grow/child/2",
  );
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
  expect(new Set(days)).toEqual(new Set([undefined, "2026-03-20", "2026-03-19"]));
});

test("while a day is looked for, no more is asked for than the marks", async () => {
  const { user } = putUp(<GrowStation />);
  (await screen.findByRole("slider", { name: "Day of the map" })).focus();
  await user.keyboard("{ArrowLeft}");
  const told = () => askedOf("GET /api/grow/map").map(({ query }) => query.alone);
  expect(told().at(-1)).toBe("true");
  await vi.waitFor(() => {
    expect(told().at(-1)).toBeUndefined(); // it has come to rest: all is told
  });
});

test("words against letters alone are asked for, and told in their own words", async () => {
  const { user } = putUp(<GrowStation />);
  await screen.findByRole("grid");
  serve("GET /api/grow/map", {
    ...MAP,
    rows: MAP.rows.map((one) => ({ ...one, in_words: ["holds", "less", "unknown"] })),
  });
  await user.click(screen.getByRole("radio", { name: "In words" }));
  const less = "Mila, n: holds less in words than alone";
  expect(await screen.findByRole("gridcell", { name: less })).toBeVisible();
  expect(screen.getByRole("gridcell", { name: "Mila, l: holds in words as alone" })).toBeVisible();
  expect(askedOf("GET /api/grow/map").at(-1)?.query.words).toBe("true");
});

test("whose flag has come to its day is named", async () => {
  serve("GET /api/grow/care", [{ pupil: JORI, kind: "presses", name: "presses hard" }]);
  putUp(<GrowStation />);
  const again = within(await screen.findByRole("region", { name: "To look at again" }));
  expect(again.getByRole("listitem")).toHaveTextContent("Jori: presses hard");
});

test("who moved is told by name, and what most have in common", async () => {
  putUp(<GrowStation />);
  const moved = within(await screen.findByRole("region", { name: "Who moved" }));
  expect(moved.getByRole("listitem")).toHaveTextContent("Jori: l now secure, n now only not yet");
  expect(screen.getByText(/not yet for 2 children/)).toBeVisible();
  expect(screen.getByText("starts elsewhere")).toBeVisible();
});

test("a name, and a square, lead to the child's page", async () => {
  const { user } = putUp(<GrowStation />);
  const named = await screen.findByRole("link", { name: "Jori’s page" });
  expect(named).toHaveAttribute("href", "/grow/child/2");
  await user.click(screen.getByRole("gridcell", { name: "Jori, l: secure" }));
  expect(screen.getByRole("link", { name: "All of Jori" })).toHaveAttribute(
    "href",
    "/grow/child/2",
  );
});

test("a class without children says so; a record that fails can be asked again", async () => {
  refuse("GET /api/grow/map", "The record is busy.");
  const { user } = putUp(<GrowStation />);
  expect(await screen.findByRole("alert")).toHaveTextContent("The record is busy.");
  serve("GET /api/grow/map", { ...MAP, rows: [] });
  await user.click(screen.getByRole("button", { name: "Try again" }));
  expect(await screen.findByText("There are no children in this class yet.")).toBeVisible();
});
