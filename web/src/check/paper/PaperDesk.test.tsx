/** On paper: files are sent whole, what was read is told, and only what is hers to say is sent. */
import { screen, within } from "@testing-library/react";
import { beforeEach, expect, test } from "vitest";

import type { CellOut, PageInFull, PageOut } from "../../api/schema";
import { CLASSROOM } from "../../test/samples";
import { putUp } from "../../test/screen";
import { askedOf, refuse, serve } from "../../test/server";
import { PaperDesk } from "./PaperDesk";
import { cellInWords, keptInWords, statesInWords } from "./words";

const [CHILD] = CLASSROOM.pupils;
const CELL: CellOut = {
  row: 0,
  cell: 0,
  target: "n",
  kind: "letter",
  mode: "own",
  box_mm: [15, 34, 30, 55],
  state: "written",
  chosen: true,
  verdict: { direction: "unseen", size: "secure", shape: "not_yet" },
  say: "Go back along the stem.",
  reads_as: "h",
};
const PAGE: PageOut = {
  id: 7,
  file: "IMG_1.jpg",
  title: "n",
  sheet: "7Q3K",
  page: 1,
  pupil_id: CHILD?.id ?? null,
  came_at: "2026-09-07T09:00:00Z",
  problems: [],
  states: { written: 2, struck: 1, empty: 3, unreadable: 0 },
  kept_at: null,
  is_notebook: false,
};
const FULL: PageInFull = {
  ...PAGE,
  size_mm: [210, 297],
  cells: [
    CELL,
    { ...CELL, cell: 1, mode: "trace", verdict: null, chosen: false, kept_u: 0.04 },
    { ...CELL, cell: 2, state: "struck", verdict: null },
  ],
};

beforeEach(() => {
  serve("GET /api/classroom", CLASSROOM);
  serve("GET /api/check/paper", { waiting: 0, pages: [PAGE] });
  serve("GET /api/check/paper/pages/7", FULL);
});

test("a cell is opened by keyboard, told in full, and said to be otherwise", async () => {
  serve("PUT /api/check/paper/pages/7/cells/0/0", FULL);
  const { user } = putUp(<PaperDesk />);
  const cell = await screen.findByRole("button", { name: cellInWords(CELL) });
  cell.focus();
  await user.keyboard("{Enter}");
  const opened = screen.getByRole("region", { name: "The cell" });
  expect(within(opened).getByText("Go back along the stem.")).toBeVisible();
  expect(within(opened).getByText("It reads as h.")).toBeVisible();
  expect(within(opened).getByText("The child marked it as its best.")).toBeVisible();
  await user.click(within(opened).getByRole("radio", { name: "Empty" }));
  expect(askedOf("PUT /api/check/paper/pages/7/cells/0/0").map(({ body }) => body)).toEqual([
    { state: "empty" },
  ]);
});

test("a page goes into the record with its child, the photograph kept where she says so", async () => {
  serve("POST /api/check/paper/pages/7/take", { letters: 1, texts: 0, left_out: 0 });
  const { user } = putUp(<PaperDesk />);
  await user.click(await screen.findByRole("checkbox", { name: "Keep the photograph" }));
  await user.click(screen.getByRole("button", { name: "Into the record" }));
  expect(askedOf("POST /api/check/paper/pages/7/take").map(({ body }) => body)).toEqual([
    { keep_picture: true },
  ]);
});

test("a page of nobody does not go into the record", async () => {
  serve("GET /api/check/paper/pages/7", { ...FULL, pupil_id: null });
  putUp(<PaperDesk />);
  expect(await screen.findByRole("button", { name: "Into the record" })).toBeDisabled();
});

test("what cannot be read is told with what to do", async () => {
  const say = "It is too dark; take it by a window or under a lamp.";
  const dark = { ...PAGE, problems: [{ code: "too_dark", say }] };
  serve("GET /api/check/paper", { waiting: 2, pages: [dark] });
  putUp(<PaperDesk />);
  expect(await screen.findByText(say)).toBeVisible();
  expect(screen.getByText("2 are to be read")).toBeVisible();
});

const NOTEBOOK: PageInFull = {
  ...FULL,
  title: null,
  sheet: null,
  page: null,
  is_notebook: true,
  problems: [{ code: "not_a_sheet", say: "No marks are found." }],
  states: { written: 0, struck: 0, empty: 0, unreadable: 0 },
  cells: [],
};

test("a row of a page without marks is marked by keyboard, read, and let go of", async () => {
  serve("GET /api/check/paper", { waiting: 0, pages: [NOTEBOOK] });
  serve("GET /api/check/paper/pages/7", NOTEBOOK);
  serve("POST /api/check/paper/pages/7/rows", { ...NOTEBOOK, cells: [CELL] });
  const { user } = putUp(<PaperDesk />);
  const form = within(await screen.findByRole("region", { name: "A row of this page" }));
  expect(screen.queryByText("No marks are found.")).toBeNull();
  expect(form.getByRole("button", { name: "Read this row" })).toBeDisabled();
  await user.click(form.getByRole("button", { name: "Put the lines there" }));
  screen.getByRole("button", { name: /^How high the mid line is/ }).focus();
  await user.keyboard("{ArrowUp}{ArrowUp}");
  screen.getByRole("button", { name: /^Where the base line begins/ }).focus();
  await user.keyboard("{Shift>}{ArrowLeft}{/Shift}{ArrowDown}");
  await user.type(form.getByLabelText("What was to be written"), " n ");
  await user.click(form.getByRole("checkbox", { name: "From memory" }));
  serve("GET /api/check/paper/pages/7", { ...NOTEBOOK, cells: [CELL, { ...CELL, cell: 1 }] });
  await user.keyboard("{Tab}{Enter}");
  expect(askedOf("POST /api/check/paper/pages/7/rows").map(({ body }) => body)).toEqual([
    {
      begin: { x: 17, y: 149 },
      end: { x: 189, y: 148.5 },
      x_height: 9.4,
      target: "n",
      from_memory: true,
    },
  ]);
  serve("DELETE /api/check/paper/pages/7/rows/0", NOTEBOOK);
  await user.click(await form.findByRole("button", { name: "Let go of the row n" }));
  expect(askedOf("DELETE /api/check/paper/pages/7/rows/0")).toHaveLength(1);
  expect(form.getByRole("status")).toHaveTextContent("the next row");
});

test("a row that cannot be read is told with what to do, and its lines stay", async () => {
  serve("GET /api/check/paper", { waiting: 0, pages: [NOTEBOOK] });
  serve("GET /api/check/paper/pages/7", NOTEBOOK);
  refuse("POST /api/check/paper/pages/7/rows", "nothing is seen on this line");
  const { user } = putUp(<PaperDesk />);
  await user.click(await screen.findByRole("button", { name: "Put the lines there" }));
  await user.type(screen.getByLabelText("What was to be written"), "n{Enter}");
  expect(await screen.findByText(/nothing is seen on this line/)).toBeVisible();
  expect(screen.getByRole("button", { name: /^Where the base line ends/ })).toBeVisible();
});

test("pages and cells are told in words", () => {
  expect(statesInWords(PAGE)).toBe("2 written, 1 struck out");
  expect(FULL.cells.map(cellInWords)).toEqual([
    "n, row 1, 1: size secure, shape not yet, chosen",
    "n, row 1, 2: traced",
    "n, row 1, 3: struck",
  ]);
  expect([0.04, 0.1, 0.3].map(keptInWords)).toEqual([
    "It stayed on the dots.",
    "It went beside the dots here and there.",
    "It left the dots.",
  ]);
});
