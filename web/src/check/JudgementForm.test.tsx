/** Her word: what is sent, and that it holds only what differs from the checker. */
import { screen, within } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { AttemptOut } from "../api/schema";
import { attempt, verdicts } from "../test/samples";
import { putUp } from "../test/screen";
import { askedOf, refuse, serve } from "../test/server";
import { JudgementForm } from "./JudgementForm";

const WORD = "PUT /api/check/attempts/5/judgement";
const NOTHING = { direction: null, size: null, shape: null, note: "" };

function judged(word: Partial<NonNullable<AttemptOut["judgement"]>>) {
  return attempt(5, {
    judgement: { made_at: "2026-03-02T10:00:00+00:00", ...NOTHING, ...word },
  });
}

beforeEach(() => {
  serve(WORD, attempt(5));
  serve("DELETE /api/check/attempts/5/judgement", attempt(5));
});

const sent = () => askedOf(WORD).map(({ body }) => body);
const mark = (dimension: string, name: string) =>
  within(screen.getByRole("radiogroup", { name: dimension })).getByRole("radio", { name });

test("A agrees and goes on to the next; what she had noted stays", async () => {
  const next = vi.fn();
  const { user } = putUp(<JudgementForm attempt={judged({ note: "tired" })} next={next} />);
  await user.keyboard("a");
  expect(sent()).toEqual([{ note: "tired" }]);
  expect(next).toHaveBeenCalledOnce();
});

test("O lays the marks open; another verdict is her word on that dimension alone", async () => {
  const { user } = putUp(<JudgementForm attempt={attempt(5)} next={vi.fn()} />);
  expect(screen.queryByRole("radiogroup", { name: "Shape" })).toBeNull();
  await user.keyboard("o");
  await user.click(mark("Shape", "nearly"));
  expect(sent()).toEqual([{ ...NOTHING, shape: "nearly" }]);
});

test("the checker's own verdict is agreement, not a word of hers", async () => {
  const held = verdicts("secure", { size: "nearly" });
  const overruled = { ...judged({ size: "nearly" }), held };
  const { user } = putUp(<JudgementForm attempt={overruled} next={vi.fn()} />);
  expect(screen.getByText("checker: not yet")).toBeVisible();
  await user.click(mark("Size", "not yet"));
  expect(sent()).toEqual([NOTHING]);
});

test("a note is kept when it is left, together with what she said before", async () => {
  const { user } = putUp(<JudgementForm attempt={judged({ shape: "nearly" })} next={vi.fn()} />);
  const note = screen.getByRole("textbox", { name: "A note for yourself" });
  await user.click(note);
  await user.tab();
  expect(sent()).toEqual([]);
  await user.type(note, "new pen");
  await user.tab();
  expect(sent()).toEqual([{ ...NOTHING, shape: "nearly", note: "new pen" }]);
});

test("her word can be taken back once it was given", async () => {
  const { user, rerender } = putUp(<JudgementForm attempt={attempt(5)} next={vi.fn()} />);
  expect(screen.queryByRole("button", { name: "Take my word back" })).toBeNull();
  rerender(<JudgementForm attempt={judged({})} next={vi.fn()} />);
  expect(screen.getByText("You agreed with this.")).toBeVisible();
  await user.click(screen.getByRole("button", { name: "Take my word back" }));
  expect(askedOf("DELETE /api/check/attempts/5/judgement")).toHaveLength(1);
});

test("a word that was not kept is told", async () => {
  refuse(WORD, "This letter was deleted.");
  const { user } = putUp(<JudgementForm attempt={attempt(5)} next={vi.fn()} />);
  await user.keyboard("a");
  expect(await screen.findByRole("alert")).toHaveTextContent("This letter was deleted.");
});
