import { expect, test } from "vitest";

import { changeRow, moveRow, newSheet, withoutRow, withRow } from "./rows";

const sheet = newSheet("n");
const modes = (of: typeof sheet) => of.rows.map(({ mode }) => mode);

test("a new sheet is traced, finished, and then written alone", () => {
  expect(modes(sheet)).toEqual(["trace", "finish", "own"]);
  expect(sheet.rows.every(({ text }) => text === "n")).toBe(true);
});

test("a row is added as the last one is", () => {
  const more = withRow(changeRow(sheet, 2, { text: "hen", lines: 3 }));
  expect(more.rows.at(-1)).toEqual({ text: "hen", mode: "own", lines: 1, gap: "" });
});

test("rows move where there is room, and the last one stays", () => {
  expect(modes(moveRow(sheet, 2, -1))).toEqual(["trace", "own", "finish"]);
  expect(modes(moveRow(sheet, 0, 1))).toEqual(["finish", "trace", "own"]);
  expect(moveRow(sheet, 0, -1)).toBe(sheet);
  expect(moveRow(sheet, 2, 1)).toBe(sheet);
  const one = withoutRow(withoutRow(sheet, 0), 0);
  expect(modes(one)).toEqual(["own"]);
  expect(withoutRow(one, 0)).toBe(one);
});

test("a picture and boxes go with what is heard", () => {
  const heard = changeRow(sheet, 0, { mode: "recall", picture: "sun", boxes: "sounds" });
  expect(heard.rows[0]).toMatchObject({ picture: "sun", boxes: "sounds" });
  expect(changeRow(heard, 0, { mode: "own" }).rows[0]).toMatchObject({
    picture: null,
    boxes: null,
  });
});
