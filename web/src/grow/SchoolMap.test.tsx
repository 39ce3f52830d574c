import { screen, within } from "@testing-library/react";
import { expect, test } from "vitest";

import type { SchoolMapOut } from "../api/schema";
import { ALPHABET, CLASSROOM } from "../test/samples";
import { putUp } from "../test/screen";
import { refuse, serve } from "../test/server";
import { SchoolMap } from "./SchoolMap";

const MAP: SchoolMapOut = {
  letters: ["l", "n"],
  habits: [
    { name: "starting at the top", where: "the way it goes" },
    { name: "dots", where: "its shape" },
  ],
  classes: [
    {
      id: 1,
      name: "Reed class",
      children: 12,
      letters: [{ secure: 9, nearly: 1, not_yet: 2 }, null],
      habits: [{ secure: 3, nearly: 4, not_yet: 5 }, null],
    },
    { id: 2, name: "Finches", children: 2, letters: [null, null], habits: [null, null] },
  ],
  least: 3,
};

test("classes are told by letter and movement; of too few nothing is said", async () => {
  serve("GET /api/school/map", MAP);
  serve("GET /api/classroom", CLASSROOM);
  serve("GET /api/show/alphabet", ALPHABET);
  putUp(<SchoolMap />);
  const letters = within(await screen.findByRole("table", { name: "Classes by letters" }));
  expect(letters.getAllByRole("img")).toHaveLength(1);
  expect(letters.getByRole("img", { name: "9 of 12 secure, 2 not yet" })).toBeVisible();
  const moves = within(screen.getByRole("table", { name: "Movements and lines" }));
  expect(moves.getByText("3 of 12 secure, 5 not yet")).toBeVisible();
  expect(moves.queryByText(/dots/)).toBeNull();
});

test("classes in which hardly anything is written say so; what fails can be asked again", async () => {
  refuse("GET /api/school/map", "The record is busy.");
  const { user } = putUp(<SchoolMap />);
  expect(await screen.findByRole("alert")).toHaveTextContent("The record is busy.");
  serve("GET /api/school/map", { ...MAP, classes: MAP.classes.slice(1) });
  await user.click(screen.getByRole("button", { name: "Try again" }));
  expect(await screen.findByText(/Too little is written/)).toBeVisible();
});
