/** How much a lesson asks: what fits is told in a line, what does not is said, with what could be cut. */
import { screen } from "@testing-library/react";
import { expect, test, vi } from "vitest";

import { putUp } from "../../test/screen";
import { LessonLoad } from "./LessonLoad";

const FITS = { letters: 17, takes: 2.2, has: 4, pace: 10, says: [], cuts: [] };

test("what fits is told in one line", () => {
  putUp(<LessonLoad load={FITS} onChange={vi.fn()} />);
  expect(
    screen.getByText("About 17 letters to write: 2 minutes, and there are 4 minutes to write in."),
  ).toBeVisible();
});

test("what is too much is said, and a press cuts it", async () => {
  const onChange = vi.fn();
  const load = { ...FITS, says: ["Too many letters."], cuts: ["pause" as const] };
  const { user } = putUp(<LessonLoad load={load} onChange={onChange} />);
  expect(screen.getByText("Too many letters.")).toBeVisible();
  await user.click(screen.getByRole("button", { name: "Put a pause in" }));
  expect(onChange).toHaveBeenCalledWith({ do: "cut", cut: "pause" });
});
