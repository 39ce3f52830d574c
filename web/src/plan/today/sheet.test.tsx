import { screen } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { expect, test } from "vitest";

import { putUp } from "../../test/screen";
import { askedOf, refuse, serve } from "../../test/server";
import { SheetPage } from "./SheetPage";

function putUpSheet() {
  return putUp(
    <Routes>
      <Route path="/plan/sheet/:id" element={<SheetPage />} />
    </Routes>,
    "/plan/sheet/3",
  );
}

test("what is looked at is what is printed, as it is asked for", async () => {
  serve("GET /api/plan/lessons/3/sheet", { pages: 2, children: 0 });
  const { user } = putUpSheet();
  const print = await screen.findByRole("link", { name: "Print 2 pages" });
  expect(print).toHaveAttribute("href", "/api/plan/lessons/3/sheet/pdf");
  await user.click(screen.getByRole("button", { name: "The next page" }));
  const page = () => screen.getByRole("img").getAttribute("src");
  expect(page()).toBe("/api/plan/lessons/3/sheet/pages/2");
  await user.click(screen.getByRole("radio", { name: "For home" }));
  await user.click(screen.getByRole("radio", { name: "Letter" }));
  await user.click(screen.getByRole("checkbox", { name: /Models on the right/ }));
  expect(page()).toBe("/api/plan/lessons/3/sheet/pages/2?home=true&paper=Letter&left=true");
  expect(print).toHaveAttribute(
    "href",
    "/api/plan/lessons/3/sheet/pdf?home=true&paper=Letter&left=true",
  );
});

test("one a child is by what each gets, whatever side is chosen for all", async () => {
  serve("GET /api/plan/lessons/3/sheet", { pages: 12, children: 12 });
  const { user } = putUpSheet();
  await user.click(await screen.findByRole("checkbox", { name: /Models on the right/ }));
  await user.click(screen.getByRole("radio", { name: "One a child" }));
  expect(screen.queryByRole("checkbox")).toBeNull();
  expect(askedOf("GET /api/plan/lessons/3/sheet").at(-1)?.query).toEqual({ each: "true" });
});

test("a lesson without anything to write says so", async () => {
  refuse("GET /api/plan/lessons/3/sheet", "nothing is written in this lesson");
  putUpSheet();
  expect(await screen.findByRole("alert")).toHaveTextContent("nothing is written in this lesson");
  expect(screen.queryByRole("img")).toBeNull();
});
