import { screen } from "@testing-library/react";
import { expect, test } from "vitest";

import { putUp } from "../test/screen";
import { StationLine } from "./StationLine";

const address = () => screen.getByTestId("address").textContent;

test("the station one is in is the current one, and the line keeps the letter", () => {
  putUp(<StationLine className="Reed class" />, "/write/n");
  expect(screen.getByText("Reed class")).toBeInTheDocument();
  expect(screen.getByRole("link", { current: "page" })).toHaveTextContent("Write");
  expect(screen.getByRole("link", { name: "Check" })).toHaveAttribute("href", "/check/n");
});

test("keys 1 to 5 go round the loop, and come back to the letter they left", async () => {
  const { user } = putUp(<StationLine className={undefined} />, "/show/n");
  await user.keyboard("5");
  expect(address()).toBe("/grow");
  await user.keyboard("4");
  expect(address()).toBe("/check/n");
  await user.keyboard("1");
  expect(address()).toMatch(/^\/plan/);
});
