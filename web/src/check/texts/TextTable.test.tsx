/** Texts on the table: one large, its letters by key, the whole agreed to. */
import { screen, within } from "@testing-library/react";
import { beforeEach, expect, test } from "vitest";

import { CLASSROOM } from "../../test/samples";
import { putUp } from "../../test/screen";
import { askedOf, serve } from "../../test/server";
import { foundInText, letterInText, text } from "../../test/textSamples";
import { TextTable } from "./TextTable";

const TEXTS = "GET /api/check/texts";

beforeEach(() => {
  serve("GET /api/classroom", CLASSROOM);
});

const show = (...texts: ReturnType<typeof text>[]) => {
  serve(TEXTS, { texts, total: texts.length, next: null });
  return putUp(<TextTable />);
};

test("an empty table leads to the pad", async () => {
  show();
  expect(await screen.findByRole("link", { name: "Go to the pad" })).toBeVisible();
});

test("the letter that there is something to say of is taken up first", async () => {
  const letters = [
    letterInText(0, "h", [0, 0, 0.8, 1.9]),
    letterInText(1, "e", [1.2, 0, 2, 1], { findings: [foundInText("open_gap", 1)] }),
  ];
  const { user } = show(text(1, { letters, findings: [foundInText("open_gap", 1)] }));
  const letter = await screen.findByRole("region", { name: "The letter" });
  expect(within(letter).getByRole("heading")).toHaveTextContent("The e");
  expect(within(letter).getByText("Note on open_gap.")).toBeVisible();
  // It is the letter's own, so it is not said of the whole as well.
  expect(screen.getByText(/The whole stands well/)).toBeVisible();
  await user.keyboard("{ArrowLeft}");
  expect(within(letter).getByRole("heading")).toHaveTextContent("The h");
});

test("down goes to the next text, A agrees and goes on", async () => {
  const { user } = show(text(1), text(2, { target: "go", reads_as: "go" }));
  expect(await screen.findByRole("heading", { level: 1 })).toHaveTextContent("he");
  await user.keyboard("{ArrowDown}");
  expect(screen.getByRole("heading", { level: 1 })).toHaveTextContent("go");
  await user.keyboard("{ArrowUp}");
  serve("PUT /api/check/texts/1/judgement", text(1));
  await user.keyboard("a");
  expect(screen.getByRole("heading", { level: 1 })).toHaveTextContent("go");
  expect(askedOf("PUT /api/check/texts/1/judgement")).toHaveLength(1);
});

test("a row says how many, its best, and a tired hand, to the teacher", async () => {
  const row = { best: 1, change: -2, written: "3 written; five or six were asked for." };
  show(text(1, { kind: "row", target: "h", row }));
  expect(await screen.findByText(/^3 written; five.*The best is number 2\..*tired/)).toBeVisible();
});

test("a traced row is not counted against anything", async () => {
  show(text(1, { kind: "row", target: "h", row: { best: 0, change: 0, written: null } }));
  expect(await screen.findByText("The best is number 1.")).toBeVisible();
});

test("how the class puts a letter right stands under what the child is told", async () => {
  show(text(1, { say: "Listen: which letter is it?", put_right: "You may rub it out." }));
  expect(await screen.findByTestId("say")).toHaveTextContent(/which letter.*You may rub it out\./);
});

test("what was struck out is said to be as it should", async () => {
  const letters = [
    letterInText(0, "h", [0, 0, 0.8, 1.9], { struck: true }),
    letterInText(0, "h", [1.2, 0, 2, 1.9]),
  ];
  show(text(1, { letters, marks: [{ kind: "strike", strokes: [0], index: 0 }] }));
  expect(await screen.findByText("1 struck out.")).toBeVisible();
  expect(screen.getByText(/Struck out, and written again/)).toBeVisible();
});
