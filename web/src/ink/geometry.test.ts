import { describe, expect, test } from "vitest";

import type { Point } from "./geometry";
import { boxOf, headingAt, lengthOf, pathOf, upTo, viewOf } from "./geometry";

const CORNER: Point[] = [
  [0, 0],
  [0, 1],
  [2, 1],
];

describe("a path", () => {
  test("turns y round, for SVG counts downwards", () => {
    expect(pathOf(CORNER)).toBe("M0 0L0 -1L2 -1");
  });

  test("has the length of its steps, and none when it is a point or nothing", () => {
    expect(lengthOf(CORNER)).toBe(3);
    expect(lengthOf([[4, 4]])).toBe(0);
    expect(lengthOf([])).toBe(0);
  });

  test("drawn up to a share ends where the pen is", () => {
    expect(upTo(CORNER, 0.5)).toEqual([
      [0, 0],
      [0, 1],
      [0.5, 1],
    ]);
    expect(upTo(CORNER, 1)).toEqual(CORNER);
    expect(upTo(CORNER, 0).at(-1)).toEqual([0, 0]);
  });

  test("that stands still is drawn without dividing by nothing", () => {
    const still: Point[] = [
      [1, 1],
      [1, 1],
    ];
    expect(upTo(still, 0.5).at(-1)).toEqual([1, 1]);
  });

  test("knows which way it runs, y up", () => {
    expect(headingAt(CORNER, 0.2).deg).toBeCloseTo(90);
    expect(headingAt(CORNER, 0.8).deg).toBeCloseTo(0);
  });
});

describe("a view", () => {
  const lines = [
    { name: "top" as const, y: 1.9, look: "solid" as const },
    { name: "mid" as const, y: 1, look: "solid" as const },
    { name: "base" as const, y: 0, look: "solid" as const },
    { name: "drop" as const, y: -0.95, look: "solid" as const },
  ];

  test("holds all lines", () => {
    const view = viewOf(lines, boxOf([CORNER]), 0.5);
    expect(view.left).toBe(-0.5);
    expect(view.right).toBe(2.5);
    expect(view.top).toBeGreaterThan(1.9);
    expect(view.bottom).toBeLessThan(-0.95);
  });

  test("grows for ink that runs over the lines", () => {
    expect(viewOf(lines, boxOf([[[0, 3]]]), 0).top).toBeGreaterThan(3);
  });

  test("of nothing is still a box", () => {
    expect(boxOf([])).toEqual({ left: 0, right: 0, bottom: 0, top: 0 });
  });
});
