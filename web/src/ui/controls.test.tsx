/** The controls that every station is put together of, by pointer and by keyboard. */
import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { expect, test, vi } from "vitest";

import { ProblemError } from "../api/client";
import { putUp } from "../test/screen";
import { Choice } from "./Choice";
import { ConfirmButton } from "./ConfirmButton";
import { EditableText } from "./EditableText";
import { Failed, ProblemNote } from "./states";
import { Tick } from "./Tick";
import { useShortcuts } from "./useShortcuts";

const STAGES = [
  { value: "one", label: "One" },
  { value: "two", label: "Two" },
] as const;

test("a choice tells what was chosen, and nothing when the chosen one is pressed again", async () => {
  const onChange = vi.fn();
  const { user } = putUp(<Choice label="Stage" value="one" options={STAGES} onChange={onChange} />);
  await user.click(screen.getByRole("radio", { name: "One" }));
  expect(onChange).not.toHaveBeenCalled();
  await user.click(screen.getByRole("radio", { name: "Two" }));
  expect(onChange.mock.calls).toEqual([["two"]]);
});

test("what cannot be undone is asked once, and left when she leaves it", async () => {
  const onYes = vi.fn();
  const { user } = putUp(
    <ConfirmButton label="Forget it" question="Gone for good." yes="Forget" onYes={onYes} />,
  );
  await user.click(screen.getByRole("button", { name: "Forget it" }));
  const asked = screen.getByRole("alertdialog", { name: "Forget it?" });
  expect(asked).toHaveAccessibleDescription("Gone for good.");
  await user.click(within(asked).getByRole("button", { name: "Leave it" }));
  expect(screen.queryByRole("alertdialog")).toBeNull();
  expect(onYes).not.toHaveBeenCalled();
  await user.click(screen.getByRole("button", { name: "Forget it" }));
  await user.click(screen.getByRole("button", { name: "Forget" }));
  expect(onYes).toHaveBeenCalledOnce();
});

test("a text is kept on Enter, trimmed, and only if it is another one", async () => {
  const onChange = vi.fn();
  const { user } = putUp(<EditableText label="Name" value="Rounds" onChange={onChange} />);
  const field = screen.getByRole("textbox", { name: "Name" });
  await user.type(field, "  {Enter}");
  expect(onChange).not.toHaveBeenCalled();
  await user.type(field, " first{Enter}");
  expect(onChange.mock.calls).toEqual([["Rounds first"]]);
});

test("Escape gives a text back as it was, and an empty name is no name", async () => {
  const onChange = vi.fn();
  const { user } = putUp(<EditableText label="Name" value="Rounds" onChange={onChange} />);
  const field = screen.getByRole("textbox", { name: "Name" });
  await user.type(field, "x{Escape}");
  expect(field).toHaveValue("Rounds");
  await user.clear(field);
  await user.tab();
  expect(field).toHaveValue("Rounds");
  expect(onChange).not.toHaveBeenCalled();
});

test("a text that may be empty may be emptied", async () => {
  const onChange = vi.fn();
  const { user } = putUp(<EditableText mayBeEmpty label="Why" value="x" onChange={onChange} />);
  await user.clear(screen.getByRole("textbox", { name: "Why" }));
  await user.tab();
  expect(onChange.mock.calls).toEqual([[""]]);
});

test("a tick is turned by its words as by its box", async () => {
  const onChange = vi.fn();
  const { user } = putUp(<Tick label="All letters" checked={false} onChange={onChange} />);
  await user.click(screen.getByText("All letters"));
  await user.click(screen.getByRole("checkbox", { name: "All letters" }));
  expect(onChange.mock.calls).toEqual([[true], [true]]);
});

function Keys({ onA }: { onA: (times: number) => void }) {
  const [times, setTimes] = useState(1);
  useShortcuts({
    a: () => {
      onA(times);
      setTimes(times + 1);
    },
    " ": () => {
      onA(-1);
    },
  });
  return (
    <>
      <input aria-label="Words" />
      <button type="button">Press</button>
    </>
  );
}

test("a key works wherever the focus is, each time anew, but never while something is typed", async () => {
  const onA = vi.fn();
  const { user } = putUp(<Keys onA={onA} />);
  await user.keyboard("aA");
  expect(onA.mock.calls).toEqual([[1], [2]]);
  await user.type(screen.getByRole("textbox", { name: "Words" }), "a");
  await user.keyboard("{Control>}a{/Control}");
  expect(onA).toHaveBeenCalledTimes(2);
});

test("the space bar belongs to a button that has the focus", async () => {
  const onA = vi.fn();
  const { user } = putUp(<Keys onA={onA} />);
  screen.getByRole("button", { name: "Press" }).focus();
  await user.keyboard(" ");
  expect(onA).not.toHaveBeenCalled();
});

test("a problem says every fault by itself, and offers to try again", async () => {
  const retry = vi.fn();
  const faults = ["row 1: no name", "row 3: no letters"];
  const { user } = putUp(
    <ProblemNote error={new ProblemError("Not brought", "2 faults", faults)} retry={retry} />,
  );
  const said = within(screen.getByRole("alert"));
  expect(said.getAllByRole("listitem").map(({ textContent }) => textContent)).toEqual(faults);
  expect(said.queryByText("2 faults")).toBeNull();
  await user.click(said.getByRole("button", { name: "Try again" }));
  expect(retry).toHaveBeenCalledOnce();
});

test("a problem with one fault says it as a sentence; anything else fails in its own words", () => {
  const { rerender } = putUp(
    <ProblemNote error={new ProblemError("Not kept", "The name is taken.", ["name"])} />,
  );
  expect(screen.getByRole("alert")).toHaveTextContent("Not keptThe name is taken.");
  rerender(<ProblemNote error={new Error("out of paper")} />);
  expect(screen.getByRole("alert")).toHaveTextContent("Something failedout of paper");
});

test("what failed is told, a question can be asked again, and what went well says nothing", async () => {
  const refetch = vi.fn(() => Promise.resolve());
  const [well, change] = [
    { isError: false, error: null },
    { isError: true, error: new Error("Nobody is there.") },
  ];
  const { rerender } = render(<Failed of={[well]} />);
  expect(screen.queryByRole("alert")).toBeNull();
  rerender(<Failed of={[well, { ...change, refetch }]} />);
  expect(screen.getByRole("alert")).toHaveTextContent("Nobody is there.");
  await userEvent.click(screen.getByRole("button", { name: "Try again" }));
  expect(refetch).toHaveBeenCalledOnce();
  rerender(<Failed of={[change]} />);
  expect(screen.queryByRole("button")).toBeNull();
});
