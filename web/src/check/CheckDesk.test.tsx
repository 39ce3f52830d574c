/** The table by keyboard: what is said goes to the server, and shows where it lies. */
import { screen, waitFor, within } from "@testing-library/react";
import { beforeEach, expect, test } from "vitest";

import type { WordsIn } from "../api/schema";
import { attempt, CLASSROOM, JORI, L_DRAWING, verdicts } from "../test/samples";
import { putUp } from "../test/screen";
import { type Asked, askedOf, refuse, serve } from "../test/server";
import { card, CODES, judgement, table } from "../test/tableSamples";
import { CheckDesk } from "./CheckDesk";
import { PLAIN } from "./desk";

const TABLE = "GET /api/check/table";
const WORDS = "POST /api/check/words";
const SHORT = { direction: "secure", size: "not_yet", shape: "secure" } as const;
const REACH = [
  card(1, SHORT),
  card(2, { ...SHORT, pupil_id: JORI.id, why: ["new_fault"] }),
  card(3, SHORT),
];
const NO_PAIR = { first: null, latest: null, chosen: null, best: null };
const PILES = { reach_up: REACH, well: [card(4)] };

const things = (ids: readonly number[], other = {}) => ({
  attempts: ids.map((id) =>
    attempt(id, { ...(id === 2 ? { pupil: JORI } : {}), checked: SHORT, held: SHORT, ...other }),
  ),
  texts: [],
});

/** happy-dom lays nothing out: a box of some size, so that rows are in sight. */
beforeEach(() => {
  Object.defineProperties(HTMLElement.prototype, {
    clientHeight: { configurable: true, value: 800 },
    clientWidth: { configurable: true, value: 800 },
  });
  serve("GET /api/classroom", CLASSROOM);
  serve("GET /api/show/letters/l", L_DRAWING);
  serve("GET /api/show/alphabet", []);
  serve("GET /api/check/codes", CODES);
  serve(TABLE, table(PILES));
  for (const id of [1, 2, 3, 4]) {
    serve(`GET /api/check/attempts/${id}/closer`, { faulty: [], pointed: null, words: [] });
  }
  serve("GET /api/check/things", () => things([1, 2, 3, 4]));
  serve(WORDS, ({ body }: Asked) => {
    const { words, many } = body as WordsIn;
    const ids = words.flatMap(({ attempt_id }) => attempt_id ?? []);
    const said = words[0]?.said;
    return things(ids, {
      judgement: said ? judgement({ ...SHORT, how: many ? "many" : "seen" }) : null,
    });
  });
});

const takenUp = async () => (await screen.findByRole("heading", { level: 1 })).textContent;
const said = () => askedOf(WORDS).map(({ body }) => body as WordsIn);
const pile = (name: string) => screen.findByRole("heading", { level: 2, name });

test("piles lie there with their counts, the first thing taken up", async () => {
  putUp(<CheckDesk />);
  expect(await pile("reach_up 3")).toBeVisible();
  expect(await pile("Nothing to mend 1")).toBeVisible();
  expect(await takenUp()).toBe("Mila: l");
  expect(await screen.findByText("new for this child", { exact: true })).toBeVisible();
});

test("a card says child, letter, verdicts and why to who does not see it", async () => {
  putUp(<CheckDesk />);
  const name =
    /l by Jori: direction secure, size not yet, shape secure\. new for this child Stretch it up/;
  expect(await screen.findByRole("button", { name })).toBeVisible();
});

test("A agrees and goes on to the next; U takes it back and returns", async () => {
  const { user } = putUp(<CheckDesk />);
  await screen.findByRole("list", { name: "What was seen" });
  await user.keyboard("a");
  expect(await takenUp()).toBe("Jori: l");
  expect(said()[0]?.words).toEqual([{ attempt_id: 1, said: PLAIN }]);
  expect(await screen.findByText("1 of 4 judged")).toBeVisible();
  await user.keyboard("u");
  expect(said().at(-1)?.words).toEqual([{ attempt_id: 1, said: null }]);
  expect(await screen.findByText("0 of 4 judged")).toBeVisible();
  expect(screen.getByRole("status")).toHaveTextContent("Undone: You agreed: Mila.");
});

test("one is taken out, the rest of its pile is agreed to in one press, and undone in one", async () => {
  const { user } = putUp(<CheckDesk />);
  await screen.findByRole("list", { name: "What was seen" });
  await user.keyboard("{ArrowRight}t");
  expect(await screen.findByRole("button", { name: "Agree to all 2" })).toBeVisible();
  await user.keyboard("g");
  expect(said()[0]).toMatchObject({ many: true, words: [{ attempt_id: 1 }, { attempt_id: 3 }] });
  expect(await screen.findByText("2 of 4 judged")).toBeVisible();
  await user.keyboard("u");
  expect(said()[1]?.words).toEqual([
    { attempt_id: 1, said: null },
    { attempt_id: 3, said: null },
  ]);
});

test("W gives the next verdict of size; X denies the first finding", async () => {
  const { user } = putUp(<CheckDesk />);
  await screen.findByRole("list", { name: "What was seen" });
  await user.keyboard("w");
  expect(said()[0]?.words[0]?.said).toMatchObject({ size: "secure" });
  await user.keyboard("x");
  await waitFor(() => {
    expect(said()).toHaveLength(2);
  });
  expect(said()[1]?.words[0]?.said).toMatchObject({ size: null, findings: { reach_up: "not_so" } });
});

test("R goes to her own words, Enter keeps them and goes on", async () => {
  const { user } = putUp(<CheckDesk />);
  await screen.findByRole("list", { name: "What was seen" });
  await user.keyboard("r");
  await user.keyboard("Up to the top.{Enter}");
  expect(said()[0]?.words[0]?.said).toMatchObject({ say: "Up to the top." });
  expect(await takenUp()).toBe("Jori: l");
});

test("two keys at once are two words, one after the other, and none is lost", async () => {
  const { user } = putUp(<CheckDesk />);
  await screen.findByRole("list", { name: "What was seen" });
  let answerFirst: (said: unknown) => void = () => undefined;
  serve(WORDS, () => new Promise((answer) => (answerFirst = answer)));
  await user.keyboard("we");
  expect(said()).toHaveLength(1);
  answerFirst(things([1], { judgement: judgement({ ...SHORT, size: "secure" }) }));
  await waitFor(() => {
    expect(said()).toHaveLength(2);
  });
  expect(said()[1]?.words[0]?.said).toMatchObject({ size: "secure", shape: "nearly" });
});

test("what failed is said until a later word comes through, not by an earlier one", async () => {
  const { user } = putUp(<CheckDesk />);
  await screen.findByRole("list", { name: "What was seen" });
  refuse(WORDS, "The record is full.");
  await user.keyboard("a");
  expect(await screen.findByRole("alert")).toHaveTextContent("The record is full.");
  serve(WORDS, () => things([2], { judgement: judgement(SHORT) }));
  await user.keyboard("a");
  await waitFor(() => {
    expect(screen.queryByRole("alert")).toBeNull();
  });
});

test("who helps sees all and changes nothing by a key", async () => {
  serve("GET /api/classroom", { ...CLASSROOM, helps: true });
  const { user } = putUp(<CheckDesk />);
  await screen.findByRole("list", { name: "What was seen" });
  await user.keyboard("agx");
  expect(said()).toEqual([]);
});

test("S sets aside what is nobody's letter", async () => {
  const { user } = putUp(<CheckDesk />);
  await screen.findByRole("list", { name: "What was seen" });
  await user.keyboard("s");
  expect(said()[0]?.words[0]?.said).toMatchObject({ set_aside: true });
});

test("B chooses for the wall, and what is chosen is printed together", async () => {
  const { user } = putUp(<CheckDesk />);
  await screen.findByRole("list", { name: "What was seen" });
  await user.keyboard("b{ArrowRight}b");
  const print = await screen.findByRole("link", { name: "Print 2 for the wall" });
  expect(print).toHaveAttribute("href", "/api/check/wall?attempt=1&attempt=2");
  expect(screen.getByRole("button", { name: /^l by Jori.*for the wall/ })).toBeVisible();
});

test("something that was missed is added by its name", async () => {
  const { user } = putUp(<CheckDesk />);
  await user.click(await screen.findByRole("combobox", { name: "Something else is there" }));
  await user.click(await screen.findByRole("option", { name: "starts elsewhere" }));
  expect(said()[0]?.words[0]?.said).toMatchObject({ findings: { start_place: "missed" } });
});

test("what is chosen stands in the address, and the server sorts it out", async () => {
  const { user } = putUp(<CheckDesk letter="l" />, "/check/l?pupil=2");
  await screen.findByRole("article");
  expect(askedOf(TABLE).at(-1)?.query).toEqual({ letter: "l", pupil: "2" });
  await user.click(screen.getByRole("radio", { name: "Not judged yet" }));
  await waitFor(() => {
    expect(askedOf(TABLE).at(-1)?.query).toEqual({ letter: "l", pupil: "2", judged: "false" });
  });
  expect(screen.getByTestId("address")).toHaveTextContent("/check/l?pupil=2&show=open");
});

test("what fails is said and leaves the table as it lies", async () => {
  const { user } = putUp(<CheckDesk />);
  await screen.findByRole("list", { name: "What was seen" });
  refuse(WORDS, "The record is full.");
  await user.keyboard("a");
  expect(await screen.findByRole("alert")).toHaveTextContent("The record is full.");
  expect(screen.getByText("0 of 4 judged")).toBeVisible();
});

test("an empty table says where letters come from, one sorted empty how to see more", async () => {
  serve(TABLE, table({}, { days: [] }));
  putUp(<CheckDesk />);
  expect(await screen.findByRole("link", { name: "Open the pads" })).toBeVisible();
});

test("what was seen on paper has ink, but no order to play", async () => {
  serve(TABLE, table({ well: [card(4, { source: "scan" })] }));
  serve("GET /api/check/things", () => things([4], { source: "scan", held: verdicts() }));
  putUp(<CheckDesk />);
  const article = within(await screen.findByRole("article"));
  expect(await article.findByText(/on paper/)).toBeVisible();
  expect(article.queryByRole("button", { name: /Replay/ })).toBeNull();
  expect(article.getByRole("button", { name: /Compare/ })).toBeVisible();
});

test("a letter that is held is compared with others of its child, and with no other child's", async () => {
  serve("GET /api/check/pupils/1/letters/l/pair", NO_PAIR);
  serve("GET /api/check/pupils/2/letters/l/pair", NO_PAIR);
  const { user, rerender } = putUp(<CheckDesk />);
  const article = within(await screen.findByRole("article"));
  await article.findByRole("button", { name: /Hold/ });
  await user.keyboard("h");
  expect(article.getByRole("button", { name: /Hold/ })).toHaveAttribute("aria-pressed", "true");
  rerender(<CheckDesk key="l" letter="l" />); // another page of the table
  await screen.findByRole("heading", { level: 1, name: "Mila: l" });
  await user.keyboard("{ArrowRight}");
  await screen.findByRole("heading", { level: 1, name: "Jori: l" });
  await user.keyboard("c");
  expect(await screen.findByText("There is no other l of this child yet.")).toBeVisible();
  await user.keyboard("{ArrowRight}");
  await screen.findByRole("heading", { level: 1, name: "Mila: l" });
  await user.keyboard("c");
  expect(
    await screen.findByRole("img", { name: "l: the one you hold, and this one" }),
  ).toBeVisible();
});

test("of what an eye saw there is no ink", async () => {
  serve(TABLE, table({ well: [card(4, { source: "eye" })] }));
  serve("GET /api/check/things", () =>
    things([4], { source: "eye", strokes: [], held: verdicts() }),
  );
  putUp(<CheckDesk />);
  const article = within(await screen.findByRole("article"));
  expect(await article.findByText(/seen by eye/)).toBeVisible();
  expect(article.queryByRole("button", { name: /Replay/ })).toBeNull();
});
