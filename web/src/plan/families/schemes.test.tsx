/** Schemes: copied, followed, forgotten; and arranged, with every change kept and undone. */
import { screen } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { FamilyIn, SchemeIn, SchemeList, SchemeOut } from "../../api/schema";
import { putUp } from "../../test/screen";
import { askedOf, refuse, serve } from "../../test/server";
import { OrderPanel } from "./OrderPanel";
import { SchemeChoice } from "./SchemeChoice";
import { useArrangement } from "./useArrangement";

const LIST: SchemeList = {
  chosen: "movement",
  schemes: [
    { key: "movement", name: "By movement", own: false },
    { key: "own-1", name: "Ours", own: true },
  ],
};
const COST = { total: 3, crowded: 2, close: 1, late: 0.34 };
const SCHEME: SchemeOut = {
  key: "own-1",
  name: "Ours",
  own: true,
  families: [family("Down", "l", "i"), family("Round", "o")],
  missing: [],
  faults: [],
  steps: [stepOf("l"), stepOf("i")],
  cost: COST,
};

function family(name: string, ...letters: string[]) {
  return { name, why: "", letters, exceptions: {}, differs: {}, opening: null };
}

function stepOf(letter: string) {
  return { letter, new_moves: ["drop"], new_words: 1, words: 2, too_close: [] };
}

beforeEach(() => {
  serve("PUT /api/plan/schemes/own-1", SCHEME);
});

function choice(seen: string, onSeen = vi.fn()) {
  return { onSeen, ...putUp(<SchemeChoice list={LIST} seen={seen} onSeen={onSeen} />) };
}

test("a copy of a built-in scheme is hers to arrange, and is looked at next", async () => {
  serve("POST /api/plan/schemes", { ...SCHEME, key: "own-2" });
  const { user, onSeen } = choice("movement");
  await user.click(screen.getByRole("button", { name: "Copy" }));
  await vi.waitFor(() => {
    expect(onSeen.mock.calls).toEqual([["own-2"]]);
  });
  expect(askedOf("POST /api/plan/schemes")[0]?.body).toEqual({
    like: "movement",
    name: "Our order",
  });
});

test("a copy of her own is named after it", async () => {
  serve("POST /api/plan/schemes", SCHEME);
  const { user } = choice("own-1");
  await user.click(screen.getByRole("button", { name: "Copy" }));
  expect(askedOf("POST /api/plan/schemes")[0]?.body).toMatchObject({ name: "Ours, again" });
});

test("the class is taught by the scheme that is looked at, unless it is already", async () => {
  serve("PUT /api/plan/schemes", LIST);
  const { user } = choice("own-1");
  await user.click(screen.getByRole("button", { name: "Teach by this" }));
  expect(askedOf("PUT /api/plan/schemes")[0]?.body).toEqual({ key: "own-1" });
});

test("what is taught by needs no choosing, and what ships cannot be forgotten", () => {
  choice("movement");
  expect(screen.getByRole("button", { name: "Teach by this" })).toBeDisabled();
  expect(screen.queryByRole("button", { name: "Forget" })).toBeNull();
});

test("her own is forgotten only after a question", async () => {
  serve("DELETE /api/plan/schemes/own-1", undefined);
  const { user, onSeen } = choice("own-1");
  await user.click(screen.getByRole("button", { name: "Forget" }));
  expect(askedOf("DELETE /api/plan/schemes/own-1")).toEqual([]);
  await user.click(screen.getByRole("button", { name: "Forget it" }));
  expect(askedOf("DELETE /api/plan/schemes/own-1")).toHaveLength(1);
  expect(onSeen).toHaveBeenCalledWith(undefined);
});

test("a scheme that cannot be followed says why", async () => {
  refuse("PUT /api/plan/schemes", "w and v are in no family yet.");
  const { user } = choice("own-1");
  await user.click(screen.getByRole("button", { name: "Teach by this" }));
  expect(await screen.findByRole("alert")).toHaveTextContent("w and v are in no family yet.");
});

/** As the map uses it: names to change to, and the way back and forth. */
function Arranged() {
  const arranged = useArrangement(SCHEME);
  return (
    <>
      <h1>{arranged.name}</h1>
      {["Ours", "First", "Second"].map((name) => (
        <button
          key={name}
          onClick={() => {
            arranged.change({ name });
          }}
        >
          {name}
        </button>
      ))}
      <button disabled={!arranged.undo} onClick={arranged.undo}>
        Undo
      </button>
      <button disabled={!arranged.redo} onClick={arranged.redo}>
        Redo
      </button>
    </>
  );
}

const kept = () =>
  askedOf("PUT /api/plan/schemes/own-1").map(({ body }) => (body as SchemeIn).name);

function arranging() {
  const { user } = putUp(<Arranged />);
  return async (...names: string[]) => {
    for (const name of names) await user.click(screen.getByRole("button", { name }));
  };
}

test("a change is kept at once, undone and done again, each kept too", async () => {
  const press = arranging();
  await press("First", "Undo");
  expect(screen.getByRole("heading")).toHaveTextContent("Ours");
  await press("Redo");
  expect(screen.getByRole("heading")).toHaveTextContent("First");
  await vi.waitFor(() => {
    expect(kept()).toEqual(["First", "Ours", "First"]);
  });
});

test("what changes nothing is not kept, and a new change ends what could be done again", async () => {
  const press = arranging();
  await press("Ours");
  expect(screen.getByRole("button", { name: "Undo" })).toBeDisabled();
  await press("First", "Undo", "Second");
  expect(screen.getByRole("button", { name: "Redo" })).toBeDisabled();
  await vi.waitFor(() => {
    expect(kept()).toEqual(["First", "Ours", "Second"]);
  });
});

function panel(other: Partial<SchemeOut> = {}, selected?: string) {
  const onFamilies = vi.fn<(families: readonly FamilyIn[]) => void>();
  const scheme = { ...SCHEME, ...other };
  const made = putUp(
    <OrderPanel
      scheme={scheme}
      name="Ours"
      families={scheme.families}
      selected={selected}
      onRename={vi.fn()}
      onFamilies={onFamilies}
    />,
  );
  return { ...made, onFamilies };
}

const ASK = "POST /api/plan/schemes/own-1/proposal";

test("a better order is shown with what it saves, and used by a press", async () => {
  const better = [family("Round", "o"), family("Down", "l", "i")];
  serve(ASK, { families: better, before: COST, after: { ...COST, total: 2, close: 0 } });
  const { user, onFamilies } = panel();
  await user.click(screen.getByRole("button", { name: "Propose a better order" }));
  expect(await screen.findByText("o l i")).toBeVisible();
  await user.click(screen.getByRole("button", { name: "Use it" }));
  expect(onFamilies.mock.calls).toEqual([[better]]);
  expect(screen.queryByRole("button", { name: "Use it" })).toBeNull();
});

test("an order that cannot be bettered says so, and offers nothing", async () => {
  serve(ASK, { families: SCHEME.families, before: COST, after: COST });
  const { user } = panel();
  await user.click(screen.getByRole("button", { name: "Propose a better order" }));
  expect(await screen.findByText(/No exchange of families or letters/)).toBeVisible();
  expect(screen.queryByRole("button", { name: "Use it" })).toBeNull();
});

test("what ships is not hers to improve", () => {
  panel({ own: false });
  expect(screen.queryByRole("button", { name: "Propose a better order" })).toBeNull();
});

test("what is different in a letter is noted with its family, and taken away when emptied", async () => {
  const { user, onFamilies } = panel({}, "i");
  await user.type(screen.getByRole("textbox", { name: "What is different in it" }), "a dot{Enter}");
  expect(onFamilies.mock.calls[0]?.[0][0]?.exceptions).toEqual({ i: "a dot" });
  const noted = { ...family("Down", "l", "i"), exceptions: { i: "a dot" } };
  const second = panel({ families: [noted] }, "i");
  const [, field] = screen.getAllByRole("textbox", { name: "What is different in it" });
  if (!field) throw new Error("two panels are up");
  await second.user.clear(field);
  await second.user.tab();
  expect(second.onFamilies.mock.calls[0]?.[0][0]?.exceptions).toEqual({});
});
