/** The table: what is asked for, what lies on it, and how one goes along it. */
import { screen, within } from "@testing-library/react";
import { beforeEach, expect, test } from "vitest";

import { attempt, JORI, L_DRAWING, verdicts } from "../test/samples";
import { putUp } from "../test/screen";
import { type Asked, askedOf, refuse, serve } from "../test/server";
import { CheckStation } from "./CheckStation";

const TABLE = "GET /api/check/letters/l/attempts";
const FIRST = attempt(31);
const SECOND = attempt(30, { pupil: JORI, held: verdicts(), findings: [], say: "So it is." });

function pageOf(attempts: unknown[], next: string | null = null) {
  return { family: { name: "Straight down", letters: ["l", "t", "i"] }, attempts, total: 3, next };
}

beforeEach(() => {
  serve("GET /api/show/letters/l", L_DRAWING);
  serve("GET /api/show/alphabet", []);
  serve(TABLE, pageOf([FIRST, SECOND]));
});

const lastAsked = () => askedOf(TABLE).at(-1)?.query;
const takenUp = async () =>
  within(await screen.findByRole("article")).getByRole("heading").textContent;

test("the newest of each child lies there first, the first one taken up", async () => {
  putUp(<CheckStation letter="l" />);
  expect(await takenUp()).toBe("Mila: l");
  expect(lastAsked()).toEqual({ newest: "true" });
  const seen = within(screen.getByRole("list", { name: "What was seen" }));
  expect(seen.getByText(/stops short/)).toHaveTextContent("(to mend from 30 %)");
  expect(screen.getByTestId("say")).toHaveTextContent("“Stretch it up to the top line.”");
});

test("the letters that are taught together are a step away", async () => {
  putUp(<CheckStation letter="l" />);
  const family = within(await screen.findByRole("navigation", { name: "Straight down" }));
  expect(family.getByRole("link", { name: "l" })).toHaveAttribute("aria-current", "page");
  expect(family.getByRole("link", { name: "t" })).toHaveAttribute("href", "/check/t");
});

test("arrows go along the table and stop at its ends", async () => {
  const { user } = putUp(<CheckStation letter="l" />);
  await screen.findByRole("article");
  await user.keyboard("{ArrowRight}");
  expect(await takenUp()).toBe("Jori: l");
  expect(screen.getByText("Nothing to mend was seen.")).toBeVisible();
  await user.keyboard("{ArrowRight}");
  expect(await takenUp()).toBe("Jori: l");
  await user.keyboard("{ArrowLeft}{ArrowLeft}");
  expect(await takenUp()).toBe("Mila: l");
});

test.each([
  ["Not looked at yet", { unjudged: "true" }],
  ["To mend", { to_mend: "true" }],
  ["All", {}],
])("%s asks the server, and sorts nothing out itself", async (name, query) => {
  const { user } = putUp(<CheckStation letter="l" />);
  await screen.findByRole("article");
  await user.click(screen.getByRole("radio", { name }));
  expect(await takenUp()).toBe("Mila: l");
  expect(lastAsked()).toEqual(query);
});

test("one child's letters are asked for when the address names the child", async () => {
  putUp(<CheckStation letter="l" />, "/check/l?pupil=2");
  await screen.findByRole("article");
  expect(lastAsked()).toEqual({ pupil: "2" });
  expect(screen.getByRole("link", { name: /whole class/ })).toHaveAttribute("href", "/check/l");
});

test("more are fetched from where the page ended, and lie after the first", async () => {
  const third = attempt(12, { pupil: JORI });
  serve(TABLE, ({ query }: Asked) =>
    query.after === "30" ? pageOf([third]) : pageOf([FIRST, SECOND], "30"),
  );
  const { user } = putUp(<CheckStation letter="l" />);
  await user.click(await screen.findByRole("button", { name: /^More/ }));
  expect(await screen.findAllByRole("button", { name: /l by/ })).toHaveLength(3);
  expect(screen.queryByRole("button", { name: /^More/ })).toBeNull();
  expect(await takenUp()).toBe("Mila: l");
});

test("an empty table says why, and where to go on", async () => {
  serve(TABLE, pageOf([]));
  const { user } = putUp(<CheckStation letter="l" />);
  expect(await screen.findByText("No letter l lies here. Look at all.")).toBeVisible();
  await user.click(screen.getByRole("radio", { name: "All" }));
  expect(await screen.findByText(/Nobody has written l yet/)).toBeVisible();
  expect(screen.getByRole("link", { name: "Go to the pad" })).toHaveAttribute("href", "/write/l");
});

test("what fails is said, and tried again", async () => {
  refuse(TABLE, "The record cannot be read.");
  const { user } = putUp(<CheckStation letter="l" />);
  expect(await screen.findByRole("alert")).toHaveTextContent("The record cannot be read.");
  serve(TABLE, pageOf([FIRST]));
  await user.click(screen.getByRole("button", { name: "Try again" }));
  expect(await takenUp()).toBe("Mila: l");
});
