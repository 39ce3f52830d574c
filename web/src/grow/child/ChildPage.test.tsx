import { screen, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { beforeEach, expect, test } from "vitest";

import type { CareOut, ChildPageOut, LetterOfTheChild } from "../../api/schema";
import { ALPHABET, CLASSROOM, JORI, LINES } from "../../test/samples";
import { putUp } from "../../test/screen";
import { askedOf, refuse, serve } from "../../test/server";
import { ChildPage } from "./ChildPage";

function story(changes: Partial<LetterOfTheChild>): LetterOfTheChild {
  return {
    letter: "l",
    state: "secure",
    direction: null,
    size: { likely: 93, low: 84, high: 98 },
    shape: null,
    written: 12,
    pictures: [3, 9].map((day) => ({
      attempt_id: day,
      day: `2026-03-0${String(day)}`,
      strokes: [
        [
          [0, 2],
          [0, 0],
        ],
      ],
    })),
    in_words: "holds",
    words: 5,
    ...changes,
  };
}

const PAGE: ChildPageOut = {
  pupil: JORI,
  day: "2026-03-27",
  since: "2026-03-03",
  families: [{ name: "Down and off", letters: ["l", "n"] }],
  letters: [story({}), story({ letter: "n", state: "not_yet", in_words: "less", pictures: [] })],
  habits: [
    {
      name: "starting at the top",
      where: "the way it goes",
      state: "not_yet",
      chance: { likely: 31, low: 20, high: 44 },
      rests_on: 20,
      letters: ["l", "n"],
    },
  ],
  text_habits: [
    {
      name: "keeping to the line",
      state: "not_yet",
      chance: { likely: 22, low: 9, high: 40 },
      rests_on: 9,
      failed: [{ text_id: 7, day: "2026-03-26", target: "a hen" }],
    },
  ],
  lines: LINES,
  part_lines: [
    { part: "tall", height: 2 },
    { part: "foot", height: 0 },
  ],
  weeks: [
    {
      monday: "2026-03-23",
      spreads: [{ part: "tall", low: 1.4, middle: 1.7, high: 1.9, count: 9 }],
    },
  ],
};

const CARE: CareOut = {
  kinds: [
    { kind: "hurts", name: "hand hurts", now: "Stop for today.", if_it_stays: "Tell the family." },
    { kind: "presses", name: "presses hard", now: "A soft pencil.", if_it_stays: "Tell them." },
  ],
  flags: [
    {
      id: 4,
      kind: "presses",
      since: "2026-03-02",
      look_again: "2026-03-16",
      is_due: true,
      done: null,
    },
  ],
  notes: [{ id: 8, day: "2026-03-20", text: "Proud of the n." }],
};

beforeEach(() => {
  serve("GET /api/grow/children/2", PAGE);
  serve("GET /api/grow/children/2/care", CARE);
  serve("GET /api/classroom", CLASSROOM);
  serve("GET /api/show/alphabet", ALPHABET);
});

function putUpPage() {
  return putUp(
    <Routes>
      <Route path="/grow/child/:id" element={<ChildPage />} />
    </Routes>,
    "/grow/child/2",
  );
}

test("what does not hold in words and sentences is told, and opens what was written", async () => {
  putUpPage();
  const texts = within(await screen.findByRole("region", { name: "In words and sentences" }));
  expect(texts.getByText("keeping to the line")).toBeVisible();
  expect(texts.getByText(/^9 texts · will hold 22 times in 100 \(9 to 40\)/)).toBeVisible();
  expect(texts.getByRole("link", { name: "a hen" })).toHaveAttribute(
    "href",
    "/check?pupil=2&begin=2026-03-26&end=2026-03-26",
  );
});

test("a child of whom there are no texts has nothing said of them", async () => {
  serve("GET /api/grow/children/2", { ...PAGE, text_habits: [] });
  putUpPage();
  await screen.findByRole("region", { name: "Letters over time" });
  expect(screen.queryByRole("region", { name: "In words and sentences" })).toBeNull();
});

test("a letter tells its story in the child's own ink, and what of it holds in words", async () => {
  putUpPage();
  const letters = within(await screen.findByRole("region", { name: "Letters over time" }));
  expect(
    letters.getByRole("img", { name: "l: Tue, 3 March 2026; Mon, 9 March 2026" }),
  ).toBeVisible();
  expect(letters.getByRole("link", { name: /^n not yet/ })).toHaveAttribute(
    "href",
    "/check/n?pupil=2",
  );
  expect(letters.getByText("holds less in words (5) than alone")).toBeVisible();
  expect(letters.getByText("only in words so far")).toBeVisible();
});

test("sizes are told by the lines they should reach, habits by their letters", async () => {
  putUpPage();
  const sizes = within(await screen.findByRole("region", { name: "Size and place on the line" }));
  expect(sizes.getByText(/tall letters: 3 tenths below their line/)).toBeVisible();
  const habits = within(screen.getByRole("region", { name: "Movements and lines" }));
  expect(habits.getByRole("listitem")).toHaveTextContent(
    "l n · will hold 31 times in 100 (20 to 44)",
  );
});

test("what the child gets is set in one place, each thing with the rest", async () => {
  serve("PUT /api/classroom/pupils/2/gets", JORI);
  const { user } = putUpPage();
  const gets = within(await screen.findByRole("region", { name: "What this child gets" }));
  await user.click(gets.getByRole("checkbox", { name: /Fewer letters/ }));
  gets.getByRole("combobox", { name: "Model" }).focus();
  await user.keyboard("{Enter}");
  await user.click(await screen.findByRole("option", { name: "on the left" }));
  expect(askedOf("PUT /api/classroom/pupils/2/gets").map(({ body }) => body)).toEqual([
    { lines: "as_class", fewer: true, more_help: false, model_side: null, stage: "beginning" },
    { lines: "as_class", fewer: false, more_help: false, model_side: "left", stage: "beginning" },
  ]);
});

test("what was seen says what to do; it is looked at again, or over", async () => {
  serve("PUT /api/grow/care/flags/4", CARE.flags[0]);
  const { user } = putUpPage();
  const seen = within(await screen.findByRole("region", { name: "Seen and noted" }));
  expect(await seen.findByText("Look again now")).toBeVisible();
  expect(seen.getByText("A soft pencil.")).toBeVisible();
  await user.click(seen.getByRole("button", { name: "Still so; in two weeks" }));
  await user.click(seen.getByRole("button", { name: "It is over" }));
  expect(askedOf("PUT /api/grow/care/flags/4").map(({ body }) => body)).toEqual([
    { look_again: "2026-04-10", is_over: false },
    { look_again: "2026-03-16", is_over: true },
  ]);
});

test("something else is seen, and a note is kept; one that is refused stays to be sent", async () => {
  serve("POST /api/grow/children/2/care/flags", CARE.flags[0]);
  refuse("POST /api/grow/children/2/care/notes", "The record is busy.");
  const { user } = putUpPage();
  const pick = await screen.findByRole("combobox", { name: "Something seen" });
  pick.focus();
  await user.keyboard("{Enter}");
  expect(screen.queryByRole("option", { name: "presses hard" })).toBeNull();
  await user.click(await screen.findByRole("option", { name: "hand hurts" }));
  const note = screen.getByRole("textbox", { name: "A note of today" });
  await user.type(note, "Rests often.");
  await user.click(screen.getByRole("button", { name: "Keep the note" }));
  expect(await screen.findByRole("alert")).toHaveTextContent("The record is busy.");
  expect(note).toHaveValue("Rests often.");
  expect(askedOf("POST /api/grow/children/2/care/flags")[0]?.body).toEqual({ kind: "hurts" });
});

test("her notes and what she saw are in the report only when she ticks them", async () => {
  const { user } = putUpPage();
  const print = await screen.findByRole("link", { name: "A page to print" });
  expect(print.getAttribute("href")).not.toMatch(/notes|flags/);
  await user.click(screen.getByRole("checkbox", { name: "what I saw" }));
  await user.click(screen.getByRole("checkbox", { name: "two things to practise" }));
  expect(print).toHaveAttribute(
    "href",
    "/api/grow/children/2/report?include=stands&include=then_and_now&include=flags&format=pdf",
  );
  const all = screen.getByRole("link", { name: "Save it as one file" });
  expect(all).toHaveAttribute("href", "/api/grow/children/2/archive");
});

test("a child is deleted once that is confirmed, and copies are told of", async () => {
  serve("DELETE /api/classroom/pupils/2", { copies: 2, until: "2026-04-20" });
  const { user } = putUpPage();
  await user.click(await screen.findByRole("button", { name: "Delete Jori" }));
  await user.click(await screen.findByRole("button", { name: "Delete for good" }));
  expect(await screen.findByText(/2 copies still hold the child/)).toBeVisible();
});

test("who helps sees neither what was seen nor what is told", async () => {
  serve("GET /api/classroom", { ...CLASSROOM, helps: true });
  putUpPage();
  await screen.findByRole("region", { name: "Letters over time" });
  expect(await screen.findByRole("region", { name: "What this child gets" })).toBeVisible();
  expect(screen.queryByRole("region", { name: "Seen and noted" })).toBeNull();
  expect(screen.queryByRole("region", { name: "Telling others" })).toBeNull();
  expect(askedOf("GET /api/grow/children/2/care")).toEqual([]);
});
