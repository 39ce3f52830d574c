/** Lines on a photograph: what a drag marks, how handles move, and places on the page. */
import { expect, test } from "vitest";

import {
  dragged,
  isMarked,
  linesIn,
  LOWEST,
  midLine,
  moved,
  nextInWords,
  nextRow,
  NO_MARKS,
  onPage,
} from "./rowMarks";

const LEFT = { x: 10, y: 50 };
const RIGHT = { x: 90, y: 50 };
const BASE = dragged(NO_MARKS, LEFT, RIGHT);

test("a first drag is the base line, whichever way it goes, a second the mid line", () => {
  expect(dragged(NO_MARKS, RIGHT, LEFT)).toEqual(BASE);
  expect(isMarked(BASE)).toBe(false);
  const both = dragged(BASE, { x: 40, y: 50 }, { x: 44, y: 45 });
  expect(both.height).toBeCloseTo(5);
  expect(isMarked(both)).toBe(true);
  expect([NO_MARKS, BASE, both, nextRow(both)].map(nextInWords)).toEqual([
    "Draw along the base line of a row, from its first letter to its last.",
    "Now draw from the base line up to the mid line.",
    "Say what was to be written there.",
    "Draw along the base line of the next row.",
  ]);
});

test("the next row needs one drag, for its lines stand as far apart", () => {
  const next = dragged(nextRow({ ...BASE, height: 5 }), { x: 10, y: 70 }, { x: 80, y: 71 });
  expect(next).toEqual({ begin: { x: 10, y: 70 }, end: { x: 80, y: 71 }, height: 5 });
  expect(dragged(next, { x: 5, y: 90 }, { x: 95, y: 90 }).begin).toEqual({ x: 5, y: 90 });
});

test("a press that is no line changes nothing", () => {
  expect(dragged(NO_MARKS, LEFT, { x: 11, y: 50 })).toBe(NO_MARKS);
  expect(dragged(BASE, LEFT, { x: 30, y: 50.2 })).toBe(BASE);
});

test("the mid line lies above the base line, square to it, however the page is turned", () => {
  const { begin, end } = midLine({ begin: LEFT, end: { x: 10, y: 90 }, height: 5 });
  expect(begin).toEqual({ x: 15, y: 50 }); // up is to the right of a line that goes down
  expect(end).toEqual({ x: 15, y: 90 });
  expect(midLine({ begin: LEFT, end: RIGHT, height: 5 }).begin).toEqual({ x: 10, y: 45 });
});

test("handles move; the mid line stays above the base line", () => {
  const all = { ...BASE, height: 5 };
  expect(moved(all, "end", { x: 2, y: -1 }).end).toEqual({ x: 92, y: 49 });
  expect(moved(all, "height", { x: 9, y: -2 }).height).toBe(7);
  expect(moved(all, "height", { x: 0, y: 40 }).height).toBe(LOWEST);
  expect(moved(NO_MARKS, "begin", { x: 1, y: 1 })).toBe(NO_MARKS);
});

test("lines can be put there and moved, without drawing", () => {
  const lines = linesIn([200, 300]);
  expect(isMarked(lines)).toBe(true);
  expect([lines.begin, lines.end]).toEqual([
    { x: 20, y: 150 },
    { x: 180, y: 150 },
  ]);
});

test("a place on the screen is one of the page that is shown whole in its box", () => {
  const box = { left: 100, top: 20, width: 400, height: 300 }; // the page is 200 px wide in it
  const at = (clientX: number, clientY: number) => onPage(box, [200, 300], { clientX, clientY });
  expect(at(200, 20)).toEqual({ x: 0, y: 0 });
  expect(at(300, 170)).toEqual({ x: 100, y: 150 });
  expect(at(0, 999)).toEqual({ x: 0, y: 300 }); // beside it is its edge
});
