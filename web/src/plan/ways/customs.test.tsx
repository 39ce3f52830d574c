/** Our ways: what is chosen is kept at once, and what follows from it is said. */
import { screen } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { CustomsOut } from "../../api/schema";
import { putUp } from "../../test/screen";
import { askedOf, serve } from "../../test/server";
import { CustomsDesk } from "./CustomsDesk";

const AS_IT_IS = {
  own: "few",
  rubbing_out: false,
  largest_family: 5,
  open_joins: false,
  slips: "after",
  called: "name",
  from_memory: false,
  answers: false,
  tilted: false,
} as const;

const CUSTOMS: CustomsOut = {
  ...AS_IT_IS,
  amounts: [
    { amount: "few", title: "Five or six", told: "Write five or six.", lines: 1, letters: 5 },
    { amount: "rows", title: "Three rows", told: "Fill three rows.", lines: 3, letters: null },
  ],
  rubbing: [
    { allowed: true, told: "You may rub out." },
    { allowed: false, told: "Cross it out." },
  ],
  sizes: [3, 4, 5],
  joins: [],
};

beforeEach(() => {
  serve("GET /api/plan/customs", CUSTOMS);
  serve("PUT /api/plan/customs", CUSTOMS);
  serve("GET /api/show/alphabet", []);
});

test("one thing is changed, the others are kept as they are", async () => {
  const { user } = putUp(<CustomsDesk />);
  await user.click(await screen.findByRole("radio", { name: "Three rows" }));
  await user.click(screen.getByRole("radio", { name: "Rub out and change" }));
  await user.click(screen.getByRole("radio", { name: "4 letters" }));
  await user.click(screen.getByRole("radio", { name: "Tilted" }));
  await vi.waitFor(() => {
    expect(askedOf("PUT /api/plan/customs").map(({ body }) => body)).toEqual([
      { ...AS_IT_IS, own: "rows" },
      { ...AS_IT_IS, rubbing_out: true },
      { ...AS_IT_IS, largest_family: 4 },
      { ...AS_IT_IS, tilted: true },
    ]);
  });
});

test("what the class is told is said beside what is chosen", async () => {
  putUp(<CustomsDesk />);
  expect(await screen.findByText("Write five or six.")).toBeInTheDocument();
  expect(screen.getByText("Cross it out.")).toBeInTheDocument();
});
