/** How the class writes: what its lines are called and look like, proportions, hands as files. */
import { screen, waitFor } from "@testing-library/react";
import { useState } from "react";
import { expect, test, vi } from "vitest";

import type { LinesPreset, RulingLine, StyleIn } from "../../api/schema";
import { LINES } from "../../test/samples";
import { putUp } from "../../test/screen";
import { askedOf, refuse, serve } from "../../test/server";
import { HandFiles } from "./HandFiles";
import { LineLooks } from "./LineLooks";
import { LineNames } from "./LineNames";
import { ProportionSlider } from "./ProportionSlider";

type Names = NonNullable<StyleIn["names"]>;

const HIDDEN_TOP: RulingLine[] = LINES.map((line) =>
  line.name === "top" ? { ...line, look: "hidden" } : line,
);
const ALL_SOLID: RulingLine[] = LINES.map((line) => ({ ...line, look: "solid" }));
const PRESETS: LinesPreset[] = [
  { name: "broken in the middle", looks: {}, lines: LINES },
  { name: "all alike", looks: { mid: "solid" }, lines: ALL_SOLID },
];

function Named({ lines, first = {} }: { lines: RulingLine[]; first?: Names }) {
  const [names, setNames] = useState<Names>(first);
  return (
    <>
      <LineNames lines={lines} names={names} onChange={setNames} />
      <output>{JSON.stringify(names)}</output>
    </>
  );
}
const told = () => JSON.parse(screen.getByRole("status").textContent) as Names;

test("a line is called what the school calls it, until that is wiped", async () => {
  const { user } = putUp(<Named lines={LINES} first={{ drop: "cellar" }} />);
  const mid = screen.getByLabelText("What you call the mid line");
  expect(mid).toHaveAttribute("placeholder", "mid line");
  await user.type(mid, " hat line");
  expect(told()).toEqual({ drop: "cellar", mid: "hat line" });
  await user.clear(screen.getByLabelText("What you call the drop line"));
  expect(told()).toEqual({ mid: "hat line" });
});

test("a line that is not on the paper has no name to give", () => {
  putUp(<Named lines={HIDDEN_TOP} first={{ base: "floor" }} />);
  expect(screen.queryByLabelText("What you call the top line")).toBeNull();
  expect(screen.getAllByRole("textbox")).toHaveLength(3);
});

test("the looks of all lines are chosen by their picture, or line by line", async () => {
  const onChange = vi.fn();
  const put = { presets: PRESETS, looks: { base: "coloured" } as const, onChange };
  const { user, rerender } = putUp(<LineLooks {...put} lines={LINES} />);
  expect(screen.getByRole("radio", { name: "broken in the middle" })).toBeChecked();
  await user.click(screen.getByRole("radio", { name: "all alike" }));
  expect(onChange).toHaveBeenLastCalledWith({ mid: "solid" });
  rerender(<LineLooks {...put} lines={[{ name: "mid", y: 1, look: "coloured" }]} />);
  await user.click(screen.getByRole("radio", { name: "Mid line broken" }));
  expect(onChange).toHaveBeenLastCalledWith({ base: "coloured", mid: "dashed" });
});

test("a proportion is moved by keys to two places, and put back to the hand's own", async () => {
  const onChange = vi.fn();
  const put = { name: "Width", unit: " wide", step: 0.05, onChange };
  const proportion = { value: 1.1, least: 0.8, most: 1.2 };
  const { user, rerender } = putUp(<ProportionSlider {...put} proportion={proportion} own />);
  expect(screen.getByRole("button", { name: "hand’s own" })).toBeDisabled();
  screen.getByRole("slider", { name: "Width" }).focus();
  await user.keyboard("{ArrowRight}");
  expect(onChange).toHaveBeenLastCalledWith(1.15);
  rerender(<ProportionSlider {...put} proportion={proportion} own={false} />);
  await user.click(screen.getByRole("button", { name: "hand’s own" }));
  expect(onChange).toHaveBeenLastCalledWith(null);
});

const FILE = new File(['{"hand": 1}'], "ours.hand.json", { type: "application/json" });

test("a hand that is brought along is chosen, and one that is faulty says why", async () => {
  const onChosen = vi.fn();
  refuse("POST /api/plan/files/hand", "The letter q has no stroke.");
  const { user } = putUp(<HandFiles hand="plain" own={false} inUse onChosen={onChosen} />);
  expect(screen.getByRole("link", { name: "Save this hand" })).toHaveAttribute(
    "download",
    "plain.hand.json",
  );
  await user.upload(screen.getByLabelText("Bring a hand", { selector: "input" }), FILE);
  expect(await screen.findByRole("alert")).toHaveTextContent("The letter q has no stroke.");
  expect(onChosen).not.toHaveBeenCalled();
  serve("POST /api/plan/files/hand", { key: "ours" });
  await user.upload(screen.getByLabelText("Bring a hand", { selector: "input" }), FILE);
  await waitFor(() => {
    expect(onChosen).toHaveBeenCalledExactlyOnceWith("ours");
  });
  expect(askedOf("POST /api/plan/files/hand").map(({ body }) => body)).toEqual(
    Array(2).fill({ text: '{"hand": 1}' }),
  );
});

test.each([
  [true, false, 1],
  [true, true, 0],
  [false, false, 0],
])("only a hand of one's own that no class writes is forgotten (%s, %s)", (own, inUse, count) => {
  putUp(<HandFiles hand="ours" own={own} inUse={inUse} onChosen={() => undefined} />);
  expect(screen.queryAllByRole("button", { name: "Forget it" })).toHaveLength(count);
});
