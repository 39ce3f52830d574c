/** Earlier lessons: found by a letter, looked at, given again today. */
import { screen } from "@testing-library/react";
import { expect, test } from "vitest";

import { lesson } from "../../test/samples";
import { putUp } from "../../test/screen";
import { askedOf, serve } from "../../test/server";
import { Earlier } from "./Earlier";

const given = (id: number, on: string) => ({
  id,
  day: "2026-02-27",
  date_text: "Friday 27th February 2026",
  new: [on],
  words: [],
  shape: "short" as const,
  given: true,
});

test("an earlier lesson is found by its letter and given again", async () => {
  serve("GET /api/plan/lessons", [given(3, "n"), given(2, "m")]);
  serve("POST /api/plan/lessons/2/again", lesson({ id: 9 }));
  const { user } = putUp(<Earlier />);
  await user.click(screen.getByText("Earlier lessons"));
  expect(await screen.findByRole("link", { name: /Look at n/ })).toHaveAttribute(
    "href",
    "/show/lesson/3",
  );
  await user.type(screen.getByRole("textbox", { name: "On a letter or with a word" }), "m");
  expect(screen.queryByRole("link", { name: /Look at n/ })).toBeNull();
  await user.click(screen.getByRole("button", { name: /Give m of Friday/ }));
  expect(askedOf("POST /api/plan/lessons/2/again")).toHaveLength(1);
});
