/** A text taken up: letter by letter by key or press, what was seen of the whole and of each. */
import { screen, within } from "@testing-library/react";
import { beforeEach, expect, test } from "vitest";

import type { TextOut } from "../../api/schema";
import { CLASSROOM, verdicts } from "../../test/samples";
import { putUp } from "../../test/screen";
import { serve } from "../../test/server";
import { card, CODES, judgement, table } from "../../test/tableSamples";
import { foundInText, letterInText, text } from "../../test/textSamples";
import { CheckDesk } from "../CheckDesk";

const H = letterInText(0, "h", [0, 0, 0.8, 1.9]);
const SHORT = foundInText("reach_up", 1, { note: "The e is short." });
const E = letterInText(1, "e", [1.2, 0, 2, 1], {
  findings: [SHORT],
  verdict: verdicts("secure", { size: "not_yet" }),
});
const CARD = { attempt_id: null, text_id: 7, kind: "word", target: "he" } as const;

function lies(other: Partial<TextOut> = {}): void {
  serve("GET /api/check/things", { attempts: [], texts: [text(7, other)] });
}

async function taken() {
  const article = within(await screen.findByRole("article"));
  await article.findByRole("heading", { level: 1 });
  return article;
}
const letter = () => within(screen.getByRole("region", { name: "The letter" }));
const shown = () => letter().getByRole("heading", { level: 2 }).textContent;

/** happy-dom lays nothing out: a box of some size, so that rows are in sight. */
beforeEach(() => {
  Object.defineProperties(HTMLElement.prototype, {
    clientHeight: { configurable: true, value: 800 },
    clientWidth: { configurable: true, value: 800 },
  });
  serve("GET /api/classroom", CLASSROOM);
  serve("GET /api/show/alphabet", []);
  serve("GET /api/check/codes", CODES);
  serve("GET /api/check/table", table({ well: [card(7, CARD)] }));
  serve("GET /api/check/texts/7/words", []);
});

test("it begins with the letter that there is something to mend in, and goes on by key", async () => {
  lies({ letters: [H, E], findings: [SHORT] });
  const { user } = putUp(<CheckDesk />);
  await taken();
  expect(shown()).toContain("The e");
  expect(letter().getByText("The e is short.")).toBeVisible();
  await user.keyboard(",");
  expect(shown()).toContain("The h");
  expect(letter().getByText("Nothing to mend was seen in it.")).toBeVisible();
  await user.keyboard(",");
  expect(shown()).toContain("The h"); // there is none before
  await user.keyboard("..");
  expect(shown()).toContain("The e");
});

test("a letter is taken up by a press on it", async () => {
  lies({ letters: [H, E], findings: [SHORT] });
  const { user } = putUp(<CheckDesk />);
  const article = await taken();
  const large = article.getByRole("img", { name: "he by Mila, large" });
  const box = large.querySelector('[data-letter="0"]');
  if (!box) throw new Error("the h has no box");
  await user.click(box);
  expect(shown()).toContain("The h");
  expect(letter().getByRole("link", { name: "All h by Mila" })).toHaveAttribute(
    "href",
    "/check/h?pupil=1",
  );
});

test("what is seen in a letter is not said of the whole as well", async () => {
  const gap = foundInText("spacing", 0, { note: "The two touch." });
  lies({ letters: [H, E], findings: [SHORT, gap] });
  putUp(<CheckDesk />);
  const article = await taken();
  const whole = within(article.getByRole("list", { name: "Seen in the whole" }));
  expect(whole.getByText("The two touch.")).toBeVisible();
  expect(whole.queryByText("The e is short.")).toBeNull();
});

test("a letter that reads as another says so; one struck out is as it should be", async () => {
  const c = letterInText(1, "e", [1.2, 0, 2, 1], { reads_as: "c" });
  const struck = letterInText(0, "h", [0, 0, 0.8, 1.9], { struck: true, reads_as: null });
  lies({
    letters: [struck, c],
    reads_as: "hc",
    marks: [{ kind: "strike", strokes: [0], index: 0 }],
  });
  const { user } = putUp(<CheckDesk />);
  const article = await taken();
  expect(article.getByText("reads as “hc”")).toBeVisible();
  expect(article.getByText("1 struck out.")).toBeVisible();
  expect(letter().getByText("Struck out, and written again: as it should be.")).toBeVisible();
  expect(shown()).not.toContain("reads as");
  await user.keyboard(".");
  expect(shown()).toContain("reads as c");
});

test("of a row it is said which is the best, and carefully that a hand may tire", async () => {
  const row = { written: "4 of 5 written.", best: 1, change: -0.8 };
  lies({ kind: "row", target: "n", row, letters: [H, E] });
  putUp(<CheckDesk />);
  const article = await taken();
  expect(
    article.getByText(
      "4 of 5 written. The best is number 2. The row gets worse on its way: the hand may be tired.",
    ),
  ).toBeVisible();
  expect(shown()).toContain("Number 1");
});

test("what others said stands beside it, and does not count", async () => {
  lies();
  serve("GET /api/check/texts/7/words", [
    judgement({ author: "Mr Wren", counts: false, shape: "nearly", note: "Look at the e." }),
  ]);
  putUp(<CheckDesk />);
  const article = await taken();
  const others = within(await article.findByRole("list", { name: "Others’ words" }));
  expect(others.getByText(/Mr Wren: .*shape nearly\. Look at the e\./)).toBeVisible();
});

test("what was kept and could not be judged says nothing to the child", async () => {
  lies({ judged: false, say: "" });
  putUp(<CheckDesk />);
  const article = await taken();
  expect(article.queryByTestId("say")).toBeNull();
});
