import { screen, within } from "@testing-library/react";
import { expect, test } from "vitest";

import { serve } from "../test/server";
import { ALPHABET } from "../test/samples";
import { putUp } from "../test/screen";
import { LetterButton } from "./LetterChoice";

const shown = () =>
  within(screen.getByRole("radiogroup", { name: "Letter" }))
    .getAllByRole("radio")
    .map((one) => one.getAttribute("aria-label"));

test("the key L opens the tray at the letter's own kind; a letter goes to its station", async () => {
  serve("GET /api/show/alphabet", ALPHABET);
  const { user } = putUp(<LetterButton station="check" letter="N" />, "/check/N");
  await user.keyboard("l");
  expect(await screen.findByRole("radio", { name: "N", checked: true })).toBeVisible();
  expect(shown()).toEqual(["L", "N"]);
  await user.click(screen.getByRole("radio", { name: "Small letters" }));
  expect(shown()).toEqual(["l", "n"]);
  await user.click(screen.getByRole("radio", { name: "l" }));
  expect(screen.getByTestId("address")).toHaveTextContent("/check/l");
  expect(screen.queryByRole("radiogroup", { name: "Letter" })).toBeNull();
});
