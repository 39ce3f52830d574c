/** A pad in its lesson: how it comes in, what it is called to, and an adult at it. */
import { act, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import { happens } from "../test/events";
import {
  aFreshPad,
  answered,
  button,
  EVENTS,
  give,
  HAND_IN,
  open,
  sent,
  sentOnes,
  sheet,
  sits,
  store,
  stroke,
} from "../test/padPage";
import { joined, NOBODY, ownLetter, padTask } from "../test/padSamples";
import { askedOf, refuse, serve } from "../test/server";

beforeEach(() => {
  aFreshPad();
});

test("by the code on the board it comes in, and a child takes its tile", async () => {
  answered(401);
  refuse("POST /api/pad/join", "The pad is not known.");
  const { user } = open();
  const code = await screen.findByRole("textbox");
  expect(screen.queryByRole("alert")).toBeNull(); // nobody did anything wrong yet
  refuse("POST /api/pad/join", "No lesson has this code.");
  await user.type(code, "owl kite{Enter}");
  expect(await screen.findByRole("alert")).toHaveTextContent("No lesson has this code.");
  serve("POST /api/pad/join", joined(2));
  give(NOBODY);
  serve("GET /api/pad/lesson", joined(2));
  await user.click(button("Come in"));
  expect(askedOf("POST /api/pad/join").at(-1)?.body).toEqual({ code: "owl kite" });
  expect(await screen.findByRole("heading", { name: "Who are you?" })).toBeVisible();
  expect(button("Jori")).toBeDisabled();
  give();
  await user.click(button("Mila"));
  expect(await sheet()).toBeVisible();
  expect(askedOf("POST /api/pad/pupil")[0]?.body).toEqual({ pupil: 1, opens_alone: true });
});

test("a tile that another pad took meanwhile is told, and the tiles are shown anew", async () => {
  give(NOBODY);
  const { user } = open();
  await screen.findByRole("heading", { name: "Who are you?" });
  refuse("POST /api/pad/pupil", "Mila sits at another pad.");
  serve("GET /api/pad/lesson", joined(1));
  await user.click(button("Mila"));
  expect(await screen.findByRole("alert")).toHaveTextContent("Mila sits at another pad.");
  await waitFor(() => {
    expect(button("Mila")).toBeDisabled();
  });
});

test("when the lesson goes on what was being written is done", async () => {
  open();
  await stroke();
  give({ step: "best", doing: "choose", choose: [ownLetter("a", true), ownLetter("b")] });
  act(() => {
    happens(EVENTS, "task");
  });
  await sentOnes(1);
  expect(await screen.findByRole("list", { name: "Choose your best one" })).toBeVisible();
});

test("called to look, the board hides the sheet until it is pressed or the lesson goes on", async () => {
  const { user } = open();
  await sheet();
  act(() => {
    happens(EVENTS, "look");
  });
  await user.click(await screen.findByRole("button", { name: "Look at the board" }));
  expect(screen.queryByText("Look at the board")).toBeNull();
  act(() => {
    happens(EVENTS, "look");
  });
  await screen.findByRole("button", { name: "Look at the board" });
  act(() => {
    happens(EVENTS, "task");
  });
  await waitFor(() => {
    expect(screen.queryByText("Look at the board")).toBeNull();
  });
});

test("at the end what was begun is handed in, and the page is nobody's", async () => {
  open();
  await stroke();
  answered(401);
  act(() => {
    happens(EVENTS, "end");
  });
  expect(await screen.findByText("The lesson is over.")).toBeVisible();
  await sentOnes(1);
  expect(store.task).toBeNull();
});

test("one tablet is passed on: back to the child before, or to another", async () => {
  const { user } = open();
  await sheet();
  await user.click(button("Mila: pass the pad on"));
  expect(await screen.findByRole("button", { name: "Jori" })).toBeVisible();
  await user.click(button("Back to Mila"));
  expect(await sheet()).toBeVisible();
  await stroke();
  await user.click(button("Done"));
  await sentOnes(1);
  await user.click(button("Mila: pass the pad on"));
  const mila = padTask().pupil;
  const task = padTask({ seat: 8, pupil: mila ? { ...mila, id: 2, name: "Jori" } : null });
  serve("POST /api/pad/pupil", sits(task));
  serve("GET /api/pad/task", () => Promise.reject(new TypeError("no network")));
  await user.click(await screen.findByRole("button", { name: "Jori" }));
  expect(await screen.findByRole("button", { name: "Jori: pass the pad on" })).toBeVisible();
  await stroke();
  await user.click(button("Done"));
  await sentOnes(2);
  expect(sent().map(({ seat }) => seat)).toEqual([7, 8]);
  expect(store.lettersOf("7/own/letter/l/copy")).toEqual([]);
});

test("without the network it opens where it was, keeps what is written and says that it is alone", async () => {
  store.setTask(padTask());
  serve("GET /api/pad/task", () => Promise.reject(new TypeError("no network")));
  serve(HAND_IN, () => Promise.reject(new TypeError("no network")));
  const { user } = open();
  await stroke();
  await user.click(button("Done"));
  expect(await screen.findByText(/^Alone: what you write is kept here/)).toBeInTheDocument();
  expect(store.waiting).toHaveLength(1);
});

test("a server that is ill is waited for, one that knows the pad no more is asked to let it in", async () => {
  store.setTask(padTask());
  answered(500);
  const { user } = open();
  expect(await sheet()).toBeVisible();
  expect(askedOf("POST /api/pad/join")).toEqual([]);
  answered(401);
  serve("POST /api/pad/join", () => Response.json({ waits: true }, { status: 202 }));
  act(() => {
    happens(EVENTS, "task");
  });
  expect(await screen.findByText("The lesson is over.")).toBeVisible();
  await user.click(button("To the next lesson"));
  expect(await screen.findByText("Your teacher lets you in.")).toBeVisible();
  expect(askedOf("POST /api/pad/join")[0]?.body).toEqual({ known: true });
});

test("how far the tablet's clock is off, and what was let go, it learns with its task", async () => {
  const { user } = open();
  await stroke();
  serve(HAND_IN, () =>
    Response.json(
      { type: "", title: "Gone", status: 410, detail: "The lesson is long over.", where: [] },
      { status: 410 },
    ),
  );
  await user.click(button("Done"));
  await user.click(await screen.findByRole("button", { name: "For adults: 1 set aside" }));
  const dialog = within(screen.getByRole("dialog"));
  expect(dialog.getByText("The lesson is long over.")).toBeVisible();
  expect(dialog.getByText(/^Mila, the letter l, /)).toBeVisible();
  expect(dialog.queryByRole("button", { name: "Let all go" })).toBeNull();
  const [aside] = store.aside;
  give({ let_go: [aside?.id ?? ""], now: new Date(Date.now() + 3_600_000).toISOString() });
  act(() => {
    happens(EVENTS, "task");
  });
  await waitFor(() => {
    expect(store.aside).toEqual([]);
  });
  expect(store.now() - Date.now()).toBeGreaterThan(3_500_000);
});

test("an adult at the pad lets one go, or all, after a question", async () => {
  for (const target of ["l", "n", "m"]) {
    store.draw(target, 0, [{ points: [[0, 1, 0, null]] }], {
      seat: 7,
      who: "Mila",
      target,
      kind: "letter",
      help: "copy",
      line: null,
    });
    store.finish(target, false);
  }
  for (const { id } of store.waiting) store.setAside(id, "No.");
  const { user } = open();
  await user.click(await screen.findByRole("button", { name: "For adults: 3 set aside" }));
  const dialog = within(screen.getByRole("dialog"));
  const [one] = dialog.getAllByRole("button", { name: "Let it go" });
  if (!one) throw new Error("there are three");
  await user.click(one);
  expect(store.aside).toHaveLength(3);
  await user.click(await screen.findByRole("button", { name: "Wipe it" }));
  expect(store.aside).toHaveLength(2);
  await user.click(dialog.getByRole("button", { name: "Let all go" }));
  await user.click(await screen.findByRole("button", { name: "Wipe them" }));
  expect(store.aside).toEqual([]);
  expect(screen.queryByRole("dialog")).toBeNull();
});

test("a tablet that keeps nothing says so to the adult and to the server", async () => {
  vi.spyOn(indexedDB, "open").mockImplementation(() => {
    throw new DOMException("no", "SecurityError");
  });
  aFreshPad();
  open();
  expect(await screen.findByTitle(/^This tablet cannot keep/)).toBeInTheDocument();
  await sheet();
  expect(askedOf("GET /api/pad/task")[0]?.query).toEqual({ keeps: "false" });
});
