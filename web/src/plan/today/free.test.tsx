/** What free writing begins with, and the whole words that are taught. */
import { screen } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import { lesson, today } from "../../test/samples";
import { putUp } from "../../test/screen";
import { askedOf, serve } from "../../test/server";
import { FreePrompt } from "./FreePrompt";
import { TaughtLetters } from "./TaughtLetters";

beforeEach(() => {
  serve("GET /api/show/alphabet", []);
  serve("PUT /api/plan/taught", { letters: ["i"], words: ["was"] });
});

test("a question of her own is kept when it is left, and only if it is another", async () => {
  const onChange = vi.fn();
  const { user } = putUp(
    <FreePrompt lesson={lesson({ prompt: "Who?" })} today={today()} onChange={onChange} />,
  );
  const field = screen.getByRole("textbox", { name: "The question" });
  await user.click(field);
  await user.tab();
  expect(onChange).not.toHaveBeenCalled();
  await user.clear(field);
  await user.type(field, "What is red?");
  await user.tab();
  expect(onChange.mock.calls).toEqual([[{ do: "prompt", prompt: "What is red?" }]]);
});

test("a picture is shown as one", () => {
  const drawn = lesson({ prompt: "picture: boat", picture: "boat" });
  putUp(<FreePrompt lesson={drawn} today={today()} onChange={vi.fn()} />);
  expect(screen.getByRole("img", { name: "A picture: a boat on the water" })).toBeVisible();
  expect(screen.queryByRole("textbox")).toBeNull();
});

test("a whole word is said to be untaught; letters stay as they are", async () => {
  const { user } = putUp(<TaughtLetters taught={["i"]} words={["said", "was"]} />);
  await user.click(screen.getByRole("button", { name: "said is not taught" }));
  await vi.waitFor(() => {
    expect(askedOf("PUT /api/plan/taught").map(({ body }) => body)).toEqual([
      { letters: ["i"], words: ["was"] },
    ]);
  });
});
