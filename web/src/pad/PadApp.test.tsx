/** A pad in its lesson: how it comes in, what a child does on it, what it is called to. */
import { act, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { PadAttemptIn, PadTaskOut, SeatOut } from "../api/schema";
import { happens } from "../test/events";
import { joined, NOBODY, ownLetter, padTask } from "../test/padSamples";
import { strokeDown } from "../test/pen";
import { putUp } from "../test/screen";
import { askedOf, refuse, serve } from "../test/server";
import { PadApp } from "./PadApp";
import { PadStore } from "./store";
import { StoreContext } from "./StoreContext";

const HAND_IN = "POST /api/pad/attempts";
const EVENTS = "/api/pad/events";
const surroundings = { opensAlone: () => true, lookForNewer: vi.fn() };

let store: PadStore;

function answered(status: number, detail = "No."): void {
  const problem = { type: "about:blank", title: "No", status, detail, where: [] };
  serve("GET /api/pad/task", () => Response.json(problem, { status }));
}

function give(changes: Partial<PadTaskOut> = {}): void {
  serve("GET /api/pad/task", padTask(changes));
}

function open() {
  return putUp(
    <StoreContext value={store}>
      <PadApp surroundings={surroundings} />
    </StoreContext>,
  );
}

const sheet = () => screen.findByRole("application", { name: "Sheet for l" });

/** A child takes its tile: who sits there now, and what it is to write. */
const sits = (task: PadTaskOut): SeatOut => {
  if (task.seat === null || !task.pupil) throw new Error("nobody sits there");
  return { seat: task.seat, pupil: task.pupil, handedness: "right", task };
};

/** A stroke on it, once it listens. */
async function stroke(on = "Sheet for l", x = 20) {
  const surface = await screen.findByRole("application", { name: on });
  await act(() => Promise.resolve());
  strokeDown(surface, x, { pointer: "pen" });
}

const button = (name: string) => screen.getByRole("button", { name });
const sent = () => askedOf(HAND_IN).map(({ body }) => body as PadAttemptIn);
const sentOnes = (count: number) =>
  waitFor(() => {
    expect(sent()).toHaveLength(count);
  });

beforeEach(() => {
  vi.clearAllMocks();
  store = new PadStore();
  give();
  serve("GET /api/pad/lesson", joined());
  serve("POST /api/pad/pupil", sits(padTask()));
  serve(HAND_IN, ({ body }: { body: unknown }) => {
    const { id } = body as { id: string };
    return { id, stored: true, say: null, replay: null };
  });
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

test("what is done is handed in as who wrote it, and the next cell is begun", async () => {
  const { user } = open();
  expect(await sheet()).toHaveAttribute("data-strokes", "0");
  expect(button("Done")).toBeDisabled();
  await stroke();
  await user.click(button("Done"));
  await sentOnes(1);
  expect(sent()[0]).toMatchObject({
    target: "l",
    kind: "letter",
    help: "copy",
    seat: 7,
    struck: false,
  });
  expect(sent()[0]?.strokes).toHaveLength(1);
  expect(await sheet()).toHaveAttribute("data-strokes", "0");
  const [first] = store.lettersOf("7/own/letter/l/copy");
  expect(first).toMatchObject({ cell: 0, state: "stored" });
  await stroke();
  expect(store.draftOf("7/own/letter/l/copy")?.cell).not.toBe(0);
});

test("one that went wrong is struck through: it is handed in, and stays on the sheet", async () => {
  const { user } = open();
  await stroke();
  expect(screen.queryByRole("button", { name: "Last stroke away" })).toBeNull();
  await user.click(button("Strike it through"));
  await sentOnes(1);
  expect(sent()[0]).toMatchObject({ struck: true });
  expect(store.lettersOf("7/own/letter/l/copy")[0]?.body.struck).toBe(true);
  expect(button("Strike it through")).toBeDisabled();
});

test("in a game the last stroke may go, and with the last one the letter", async () => {
  give({ rubbing_out: true });
  const { user } = open();
  await stroke();
  await stroke("Sheet for l", 24);
  expect(await sheet()).toHaveAttribute("data-strokes", "2");
  await user.click(button("Last stroke away"));
  expect(await sheet()).toHaveAttribute("data-strokes", "1");
  await user.click(button("Last stroke away"));
  expect(button("Done")).toBeDisabled();
  expect(sent()).toEqual([]);
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

test("the best one is chosen, and where that is not taken it is said", async () => {
  give({ step: "best", doing: "choose", choose: [ownLetter("a", true), ownLetter("b")] });
  serve("POST /api/pad/best", undefined);
  const { user } = open();
  const list = await screen.findByRole("list", { name: "Choose your best one" });
  const [first, second] = within(list).getAllByRole("button");
  if (!first || !second) throw new Error("there are two");
  expect([first, second].map((one) => one.getAttribute("aria-pressed"))).toEqual(["true", "false"]);
  await user.click(second);
  expect(askedOf("POST /api/pad/best")[0]?.body).toEqual({ attempt: "b" });
  refuse("POST /api/pad/best", "That one was taken back.");
  await user.click(first);
  expect(await screen.findByRole("alert")).toHaveTextContent("That one was taken back.");
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

test("a task that was long in coming dates no letter later than it was begun", async () => {
  const LONG_MS = 300;
  serve("GET /api/pad/task", async () => {
    await new Promise((comes) => setTimeout(comes, LONG_MS));
    return Response.json(padTask({ now: new Date().toISOString() }));
  });
  const { user } = open();
  await stroke();
  const begun = Date.now();
  await user.click(button("Done"));
  await sentOnes(1);
  expect(Date.parse(sent()[0]?.written_at ?? "")).toBeLessThanOrEqual(begun);
});

test("where the class wants it the letter is answered, until the next is handed in", async () => {
  serve(HAND_IN, ({ body }: { body: unknown }) => {
    const { id } = body as { id: string };
    return { id, stored: true, say: "Down to the line.", replay: null };
  });
  const { user } = open();
  await stroke();
  await user.click(button("Done"));
  expect(await screen.findByText("Down to the line.")).toBeVisible();
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

test("when enough is written the sun is out and no cell waits; one more is no fault", async () => {
  give({ is_enough: true, written: 5 });
  const { user } = open();
  expect(await screen.findByText("That is enough")).toBeInTheDocument();
  await stroke();
  expect(screen.queryByText("That is enough")).toBeNull();
  await user.click(button("Done"));
  await sentOnes(1);
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
  store = new PadStore();
  open();
  expect(await screen.findByTitle(/^This tablet cannot keep/)).toBeInTheDocument();
  await sheet();
  expect(askedOf("GET /api/pad/task")[0]?.query).toEqual({ keeps: "false" });
});

test("from memory the word is heard and its picture seen; a line is written on long", async () => {
  give({
    kind: "word",
    target: "nap",
    help: "recall",
    cells: false,
    model: null,
    prompt: { sound: "/s", picture: "/p", drawing: null, question: "What did you hear?" },
  });
  const { user } = open();
  await stroke("Line for nap");
  expect(screen.getByText("What did you hear?")).toBeVisible();
  expect(button("Hear it")).toBeEnabled();
  await user.click(button("Done"));
  await sentOnes(1);
  expect(sent()[0]).toMatchObject({ target: "nap", kind: "word", help: "recall" });
});

test("in the air nothing is handed in", async () => {
  give({ step: "big", doing: "air" });
  open();
  await stroke("Trace l in the air");
  expect(sent()).toEqual([]);
  expect(store.waiting).toEqual([]);
});

test("who has written all goes on freely, as long as the others write", async () => {
  give({ is_enough: true, written: 5, further: "Find more words with l." });
  open();
  await sheet();
  act(() => {
    button("More lines").click();
  });
  expect(await screen.findByText("Find more words with l.")).toBeVisible();
  await stroke("Line for what you want to say");
  // The pad asks anew while it is written on: nothing is taken from under the pen.
  happens(EVENTS, "task");
  await act(() => Promise.resolve());
  expect(sent()).toEqual([]);
  act(() => {
    button("Done").click();
  });
  await sentOnes(1);
  expect(sent()[0]).toMatchObject({ kind: "free", target: "", help: "recall" });
});

test("a word of a sentence that is left out is a gap in its model", async () => {
  const [only] = padTask().model?.words ?? [];
  const words = only
    ? [
        { ...only, letter: "Is" },
        { ...only, letter: "it?" },
      ]
    : [];
  give({ kind: "sentence", target: "Is it?", cells: false, gap: "it", model: { words } });
  open();
  expect(await screen.findByRole("img", { name: "Is …" })).toBeVisible();
});

test("what the teacher said of the last one is told before the next", async () => {
  give({ reminder: "Up to the top line." });
  open();
  expect(await screen.findByText("Up to the top line.")).toBeVisible();
});
