import { describe, expect, it } from "vitest";

import type { Understood } from "../../api/schema";
import { after, begun, nextUnwritten, placeIn, shown, stepped, undone } from "./draft";

/** A letter of so many moves a stroke. */
function letter(...moves: number[]): Understood {
  const strokes = moves.map((count) => Array.from({ length: count }, () => ({})));
  return { strokes: moves.map(String), drawing: { strokes } } as unknown as Understood;
}

describe("a letter being mended", () => {
  it("is what was understood until it is mended, and step by step again", () => {
    const [first, second, third] = [letter(1), letter(2), letter(3)];
    const draft = after(after(begun(first), second), third);
    expect(shown(draft)).toBe(third);
    expect(shown(undone(draft))).toBe(second);
    expect(shown(undone(undone(undone(draft))))).toBe(first);
  });

  it("goes from move to move over all its strokes", () => {
    const k = letter(1, 2);
    expect(stepped(k, { stroke: 0, move: 0 }, 1)).toEqual({ stroke: 1, move: 0 });
    expect(stepped(k, { stroke: 1, move: 1 }, 1)).toEqual({ stroke: 1, move: 1 });
    expect(stepped(k, { stroke: 0, move: 0 }, -1)).toEqual({ stroke: 0, move: 0 });
  });

  it("keeps the chosen move where there is still one", () => {
    expect(placeIn(letter(3), { stroke: 0, move: 2 })).toEqual({ stroke: 0, move: 2 });
    expect(placeIn(letter(2), { stroke: 0, move: 2 })).toEqual({ stroke: 0, move: 1 });
    expect(placeIn(letter(2), { stroke: 1, move: 0 })).toEqual({ stroke: 0, move: 0 });
  });
});

describe("the next letter to write", () => {
  const letters = ["a", "b", "c"].map((one) => ({
    letter: one,
    stands: one === "b" ? "pen" : null,
  }));

  it("comes after this one, and round again", () => {
    expect(nextUnwritten(letters, "a")).toBe("c");
    expect(nextUnwritten(letters, "c")).toBe("a");
  });

  it("is none when all others stand", () => {
    const most = letters.map((one) => ({ ...one, stands: one.letter === "a" ? null : "pen" }));
    expect(nextUnwritten(most, "a")).toBeUndefined();
  });
});
