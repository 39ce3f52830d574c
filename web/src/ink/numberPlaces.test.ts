import { expect, test } from "vitest";

import type { Point } from "../api/client";
import { distance } from "./geometry";
import { numberPlaces } from "./numberPlaces";

const DOWN: Point[] = [
  [0, 1],
  [0, 0],
];
const UP: Point[] = [
  [0, 0],
  [0, 0.6],
];

test("down and back up the same line are numbered on its two sides", () => {
  const [down, up] = numberPlaces([DOWN, UP]);
  expect(down?.at[0]).toBeGreaterThan(0.1);
  expect(up?.at[0]).toBeLessThan(-0.1);
  expect(down?.deg).toBeCloseTo(-90);
});

test("a number moves along its stem to keep clear of other ink", () => {
  const bar: Point[] = [
    [0, 0.5],
    [1, 0.5],
  ];
  const [down] = numberPlaces([DOWN, bar]);
  expect(distance(down?.at ?? [0, 0], [0.2, 0.5])).toBeGreaterThan(0.15);
});
