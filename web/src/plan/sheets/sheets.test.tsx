import { screen } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { expect, test } from "vitest";

import { putUp } from "../../test/screen";
import { askedOf, refuse, serve } from "../../test/server";
import { newSheet } from "./rows";
import { SheetDesk } from "./SheetDesk";
import { SheetsDesk } from "./SheetsDesk";

const KEPT = { id: 7, ...newSheet("n") };
const PUT = "PUT /api/plan/own-sheets/7";

function putUpSheet() {
  serve("GET /api/plan/own-sheets/7", KEPT);
  serve("GET /api/plan/own-sheets/7/pages", { pages: 2, children: 0 });
  serve("GET /api/plan/own-sheets", [{ id: 7, title: "n", changed_at: "2026-11-30T09:00:00Z" }]);
  serve("GET /api/tiles", ["sun", "hat"]);
  return putUp(
    <Routes>
      <Route path="/plan/sheets" element={<SheetsDesk />} />
      <Route path="/plan/sheets/:id" element={<SheetDesk />} />
    </Routes>,
    "/plan/sheets/7",
  );
}

const page = () => screen.getByRole("img", { name: /as it is printed/ }).getAttribute("src");

test("a changed row is kept, shown anew, and undone by its key", async () => {
  const { user } = putUpSheet();
  const text = await screen.findByRole("textbox", { name: "What is written in row 3" });
  await screen.findByRole("img", { name: /as it is printed/ });
  const before = page();
  serve(PUT, { ...KEPT, title: "n" });
  await user.clear(text);
  await user.type(text, "hen{Enter}");
  expect(askedOf(PUT).at(-1)?.body).toMatchObject({ rows: [{}, {}, { text: "hen", mode: "own" }] });
  await expect.poll(page).not.toBe(before);
  await user.keyboard("u");
  expect(askedOf(PUT).at(-1)?.body).toMatchObject({ rows: KEPT.rows });
  expect(text).toHaveValue("n");
  await user.keyboard("r");
  expect(text).toHaveValue("hen");
});

test("what does not fit is said, and what she wrote stays", async () => {
  const { user } = putUpSheet();
  refuse(PUT, "Row 3: ß is in no hand; it may be letters");
  const text = await screen.findByRole("textbox", { name: "What is written in row 3" });
  await user.clear(text);
  await user.type(text, "ß{Enter}");
  expect(await screen.findByRole("alert")).toHaveTextContent("Row 3: ß is in no hand");
  expect(text).toHaveValue("ß");
  expect(page()).toContain("/pages/1");
});

test("what is heard may have a box a sound and a picture", async () => {
  const { user } = putUpSheet();
  serve(PUT, KEPT);
  await user.click(await screen.findByRole("combobox", { name: "How row 1 is written" }));
  await user.click(screen.getByRole("option", { name: "heard" }));
  await user.click(screen.getByRole("checkbox", { name: "a box a sound" }));
  await user.click(screen.getByRole("button", { name: "The picture beside row 1" }));
  await user.click(await screen.findByRole("button", { name: "sun" }));
  expect(askedOf(PUT).at(-1)?.body).toMatchObject({
    rows: [{ mode: "recall", boxes: "sounds", picture: "sun" }, {}, {}],
  });
});

test("rows are moved, added and taken out; strips say that nothing is read of them", async () => {
  const { user } = putUpSheet();
  serve(PUT, KEPT);
  await user.click(await screen.findByRole("button", { name: "Row 3 up" }));
  await user.click(screen.getByRole("button", { name: "A row more" }));
  await user.click(screen.getByRole("button", { name: "Take row 1 out" }));
  await user.click(screen.getByRole("button", { name: "A line more in row 1" }));
  expect(askedOf(PUT).at(-1)?.body).toMatchObject({
    rows: [
      { mode: "own", lines: 2 },
      { mode: "finish", lines: 1 },
      { mode: "finish", lines: 1 },
    ],
  });
  await user.click(screen.getByRole("combobox", { name: "Whole pages or strips" }));
  await user.click(screen.getByRole("option", { name: "3 strips, to be cut" }));
  expect(screen.getByText(/photographs of them cannot be read/)).toBeVisible();
});

test("the sheet of today's lesson is one press away, if there is a lesson", async () => {
  serve("GET /api/plan/own-sheets", []);
  serve("GET /api/plan/today", { lesson: { id: 3, new: ["t"] } });
  putUp(<SheetsDesk />, "/plan/sheets");
  const link = await screen.findByRole("link", { name: "The sheet of today’s lesson on t" });
  expect(link).toHaveAttribute("href", "/plan/sheet/3");
  expect(await screen.findByText("No sheet of your own yet.")).toBeVisible();
});

test("one a child is printed so, and a sheet is thrown away once that is meant", async () => {
  const { user } = putUpSheet();
  await user.click(await screen.findByRole("radio", { name: "One a child" }));
  const print = await screen.findByRole("link", { name: "Print 2 pages" });
  expect(print).toHaveAttribute("href", "/api/plan/own-sheets/7/pdf?each=true");
  serve("DELETE /api/plan/own-sheets/7", null);
  await user.click(screen.getByRole("button", { name: "Throw it away" }));
  await user.click(await screen.findByRole("button", { name: "Throw it away" }));
  expect(await screen.findByRole("heading", { name: "Sheets" })).toBeVisible();
  expect(askedOf("DELETE /api/plan/own-sheets/7")).toHaveLength(1);
});
