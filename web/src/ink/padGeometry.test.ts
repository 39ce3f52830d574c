import { expect, test } from "vitest";

import { rowHeight, ruledFor } from "./padGeometry";

const LINES = [
  { name: "top" as const, y: 1.9, look: "solid" as const },
  { name: "mid" as const, y: 1, look: "solid" as const },
  { name: "base" as const, y: 0, look: "solid" as const },
  { name: "drop" as const, y: -0.95, look: "solid" as const },
];

test.each([300, 554, 1000])("all four lines lie on a pad of %i px, with room to miss", (height) => {
  const { unit_px, base_px } = ruledFor(LINES, height);
  expect(base_px - 1.9 * unit_px).toBeGreaterThan(0.3 * unit_px);
  expect(base_px + 0.95 * unit_px).toBeLessThan(height - 0.3 * unit_px);
});

test("rows fill the pad, each with its own base line", () => {
  const one = ruledFor(LINES, 600, 1);
  const two = ruledFor(LINES, 600, 2);
  expect(two.unit_px).toBeCloseTo(one.unit_px / 2);
  const second = two.base_px + rowHeight(LINES) * two.unit_px;
  expect(second - two.base_px).toBeCloseTo(300);
  expect(second + 0.95 * two.unit_px).toBeLessThan(600);
});
