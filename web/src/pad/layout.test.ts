/** Cells on any tablet, upright or not: they are whole, on the sheet, and found again. */
import { expect, test } from "vitest";

import { LINES } from "../test/samples";
import { turnedBack } from "../ink/InkCanvas";
import { cellAt, cellsFor, placeOf } from "./layout";
import { fitted } from "./Sheet";

const SHEETS = [
  { width: 776, height: 628 },
  { width: 740, height: 712 },
  { width: 320, height: 500 },
  { width: 1600, height: 700 },
];

test.each(SHEETS)("all cells lie on a sheet of $width by $height", (size) => {
  for (const enough of [1, 3, 5, 8, null]) {
    for (const letter of [0.1, 0.9, 1.7]) {
      const cells = cellsFor(size, LINES, letter, { enough, active: 0 });
      expect(cells.rows * cells.columns).toBeGreaterThanOrEqual(enough ?? 8);
      for (let cell = 0; cell < cells.count; cell++) {
        const { left, base } = placeOf(cells, cell);
        const [right, top] = [left + cells.width * cells.unit, base - cells.drop * cells.unit];
        expect(left).toBeGreaterThan(-0.01);
        expect(right).toBeLessThan(size.width + 0.01);
        expect(top).toBeGreaterThan(-0.01);
        expect(top + cells.height * cells.unit).toBeLessThan(size.height + 0.01);
        expect(cellAt(cells, (left + right) / 2, base)).toBe(cell);
      }
    }
  }
});

test("a letter has room to miss, and is no larger than a wrist writes", () => {
  const cells = cellsFor({ width: 3000, height: 2000 }, LINES, 1, { enough: 3, active: 0 });
  expect(cells.unit).toBe(120);
  expect(cells.width).toBeCloseTo(3);
});

test("more letters than a page has are on the next", () => {
  const cells = cellsFor({ width: 776, height: 628 }, LINES, 1, { enough: 24, active: 13 });
  expect([cells.first, cells.count]).toEqual([12, 12]);
  expect(placeOf(cells, 12).left).toBeCloseTo(cells.left);
});

test("a pen on a tilted sheet writes where it is", () => {
  const { width, height, tilt_deg } = fitted(800, 600, -12);
  expect(width).toBeLessThan(800);
  const turn = (tilt_deg * Math.PI) / 180;
  const box = [
    width * Math.cos(turn) + height * Math.abs(Math.sin(turn)),
    width * Math.abs(Math.sin(turn)) + height * Math.cos(turn),
  ] as const;
  expect(box[0]).toBeLessThan(801);
  // The middle of the sheet's upper edge, as it lies turned in its box.
  const [x, y] = [
    box[0] / 2 + (height / 2) * Math.sin(turn),
    box[1] / 2 - (height / 2) * Math.cos(turn),
  ];
  const [across, down] = turnedBack(x, y, width, height, tilt_deg);
  expect(across).toBeCloseTo(width / 2);
  expect(down).toBeCloseTo(0);
  expect(turnedBack(7, 8, width, height, 0)).toEqual([7, 8]);
});

test.each([
  [0.1, 1],
  [0.9, 1],
  [1.05, 1],
  [1.4, 2],
])("on squares a letter %f wide takes %i, and the next one stays free", (letter, own) => {
  const squared = LINES.map((line) => ({ ...line, look: "squared" as const }));
  const cells = cellsFor({ width: 900, height: 600 }, squared, letter, { enough: 5, active: 0 });
  expect([cells.own, cells.width]).toEqual([own, own + 1]);
});
