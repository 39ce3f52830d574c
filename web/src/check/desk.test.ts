/** Where a word leads: to the next that waits, out of a pile, and back. */
import { expect, test } from "vitest";

import { card, CODES, judgement, table } from "../test/tableSamples";
import {
  agreedWith,
  beside,
  EMPTY,
  inOrder,
  nextOpen,
  nextVerdict,
  PLAIN,
  pilesOf,
  step,
  withFinding,
  withVerdict,
  wordAgain,
  wordOf,
} from "./desk";

const [START, REACH, SPACING] = CODES;
const PILES = pilesOf(
  table({ reach_up: [card(1), card(2, { judged: true }), card(3)], well: [card(4)] }),
);
const CARDS = inOrder(PILES);

test("cards lie in the order of their piles, and one goes along them to their ends", () => {
  expect(CARDS.map((one) => one.attempt_id)).toEqual([1, 2, 3, 4]);
  expect(beside(CARDS, "attempt 1", 1)).toBe("attempt 2");
  expect(beside(CARDS, "attempt 1", -1)).toBe("attempt 1");
  expect(beside(CARDS, "attempt 4", 1)).toBe("attempt 4");
});

test("after a word one goes on to what nobody judged, and round to what was left", () => {
  expect(nextOpen(CARDS, "attempt 1", ["attempt 1"])).toBe("attempt 3");
  expect(nextOpen(CARDS, "attempt 4", ["attempt 4"])).toBe("attempt 1");
  expect(nextOpen(CARDS, "attempt 4", ["attempt 1", "attempt 3", "attempt 4"])).toBe("attempt 4");
});

test("a pile is agreed to without what is judged, set aside or taken out", () => {
  const [reach] = PILES;
  if (!reach) throw new Error("no pile");
  expect(agreedWith(reach, new Set(["attempt 3"] as const))).toEqual(["attempt 1"]);
  const aside = { ...reach, cards: [card(5, { set_aside: true })] };
  expect(agreedWith(aside, new Set())).toEqual([]);
});

test("what is taken out is put back by the same key", () => {
  const out = step(EMPTY, { do: "take out", key: "attempt 1" });
  expect([...out.out]).toEqual(["attempt 1"]);
  expect(step(out, { do: "take out", key: "attempt 1" }).out.size).toBe(0);
});

test("what is chosen for the wall is taken down by the same key", () => {
  const up = step(EMPTY, { do: "wall", key: "attempt 2" });
  expect([...up.wall]).toEqual(["attempt 2"]);
  expect(step(up, { do: "wall", key: "attempt 2" }).wall.size).toBe(0);
});

test("undone leads back to where it was said, one word after the other", () => {
  const undo = (at: "attempt 1" | "attempt 3") => ({ said: "", words: [], many: false, at });
  let desk = step(EMPTY, { do: "said", undo: undo("attempt 1"), next: "attempt 3" });
  desk = step(desk, { do: "said", undo: undo("attempt 3"), next: "attempt 4" });
  desk = step(desk, { do: "undone" });
  expect(desk.current).toBe("attempt 3");
  desk = step(desk, { do: "undone" });
  expect([desk.current, desk.undo.length]).toEqual(["attempt 1", 0]);
});

test("a word is said again as it was, or taken back where there was none", () => {
  expect(wordAgain("attempt 7", null)).toEqual({ attempt_id: 7, said: null });
  const before = judgement({ say: "Slowly.", findings: { reach_up: "not_so" } });
  expect(wordAgain("text 7", before)).toEqual({ text_id: 7, said: wordOf(before) });
  expect(wordOf(before)).toMatchObject({ say: "Slowly.", findings: { reach_up: "not_so" } });
  expect(wordOf(judgement({ set_aside: true }))).toEqual({ ...PLAIN, set_aside: true });
});

test("a verdict takes along what was said of its findings; a finding, its verdict", () => {
  if (!START || !REACH || !SPACING) throw new Error("no codes");
  const word = { ...PLAIN, findings: { reach_up: "so", start_place: "so" } } as const;
  const secure = withVerdict(word, "size", "secure", CODES);
  expect(secure).toMatchObject({ size: "secure", findings: { start_place: "so" } });
  const no = withFinding({ ...secure, direction: "not_yet" }, START, "not_so");
  expect(no).toMatchObject({
    direction: null,
    size: "secure",
    findings: { start_place: "not_so" },
  });
  const gap = withFinding({ ...PLAIN, spacing: "secure", line: "nearly" }, SPACING, "missed");
  expect(gap).toMatchObject({ spacing: null, size: null, line: "nearly" });
});

test("verdicts go round, and what is unseen becomes secure first", () => {
  expect(["secure", "nearly", "not_yet", "unseen"].map((v) => nextVerdict(v as "secure"))).toEqual([
    "nearly",
    "not_yet",
    "secure",
    "secure",
  ]);
});
