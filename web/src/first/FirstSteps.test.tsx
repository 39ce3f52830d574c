/** The first page: what is asked, what a list lacks, what is sent. */
import { screen, waitFor } from "@testing-library/react";
import { beforeEach, expect, test } from "vitest";

import type { ChoicesOut, ListOut } from "../api/schema";
import { CLASSROOM, LINES } from "../test/samples";
import { putUp } from "../test/screen";
import { type Asked, askedOf, refuse, serve } from "../test/server";
import { FirstSteps } from "./FirstSteps";

const picture = {
  text: "king",
  strokes: [
    [
      [0, 1],
      [0, 0],
    ] as [number, number][],
  ],
};
const CHOICES: ChoicesOut = {
  hands: [
    { hand: "plain", picture },
    { hand: "joined", picture },
  ],
  rulings: [
    { ruling: "two", lines: LINES },
    { ruling: "four", lines: LINES },
  ],
};

/** A stand-in that finds fault with one name alone. */
function read({ body }: Asked): ListOut {
  const lines = (body as { text: string }).text.split("\n").filter(Boolean);
  return {
    children: lines.map((name, at) => ({ line: at + 1, name, handedness: "right" })),
    faults: lines.includes("??") ? [{ line: lines.indexOf("??") + 1, what: "is no name" }] : [],
  };
}

beforeEach(() => {
  serve("GET /api/classroom/choices", CHOICES);
  serve("POST /api/classroom/list", read);
  serve("POST /api/classroom", CLASSROOM);
});

test("a class is begun with what was chosen, and goes on to today", async () => {
  const { user } = putUp(<FirstSteps />);
  const name = await screen.findByRole("textbox", { name: "Name of the class" });
  await user.clear(name);
  await user.type(name, "Reed class");
  await user.click(screen.getByRole("radio", { name: "Joined" }));
  await user.click(screen.getByRole("radio", { name: "Two lines" }));
  await user.type(screen.getByRole("textbox", { name: "Children, one a line" }), "Ada{Enter}Bo");
  expect(await screen.findByText("2 children")).toBeVisible();
  await user.click(screen.getByRole("button", { name: "Begin" }));
  await waitFor(() => {
    expect(screen.getByTestId("address")).toHaveTextContent("/plan/today");
  });
  expect(askedOf("POST /api/classroom")[0]?.body).toEqual({
    name: "Reed class",
    hand: "joined",
    ruling: "two",
    x_height_mm: 8,
    children: [
      { name: "Ada", handedness: "right" },
      { name: "Bo", handedness: "right" },
    ],
  });
});

test("a list with a fault is not taken over, and says in which line it is", async () => {
  const { user } = putUp(<FirstSteps />);
  await user.type(
    await screen.findByRole("textbox", { name: "Children, one a line" }),
    "Ada{Enter}??",
  );
  expect(await screen.findByRole("list", { name: "To mend" })).toHaveTextContent(
    "Line 2: is no name",
  );
  expect(screen.getByRole("button", { name: "Begin" })).toBeDisabled();
});

test("without names it can be begun too; what is refused is said", async () => {
  refuse("POST /api/classroom", "Reed class is in the record already.");
  const { user } = putUp(<FirstSteps />);
  await user.click(await screen.findByRole("button", { name: "Begin" }));
  expect(await screen.findByRole("alert")).toHaveTextContent("in the record already");
  expect(askedOf("POST /api/classroom")[0]?.body).toMatchObject({ children: [] });
});
