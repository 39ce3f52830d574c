/** The lesson on the board: where it begins, how it is turned, what is remembered. */
import { act, screen } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { afterEach, beforeEach, expect, test, vi } from "vitest";

import { THIS_SCREEN } from "../../api/roomQueries";
import type { LessonOut } from "../../api/schema";
import { happens } from "../../test/events";
import { L_DRAWING, courseOf, lesson, step, stop, today } from "../../test/samples";
import { putUp } from "../../test/screen";
import { askedOf, refuse, serve } from "../../test/server";
import { LessonBoard } from "./LessonBoard";
import { StepTime } from "./StepTime";

const PLACE = "PUT /api/show/lessons/7/place";
const CLOSE = "POST /api/show/lessons/7/close";

function board(given: LessonOut) {
  serve("GET /api/plan/today", today({ lesson: given }));
  serve("GET /api/plan/lessons/7", given);
  return putUp(
    <Routes>
      <Route path="/show/lesson/:id" element={<LessonBoard />} />
      <Route path="*" element={<p>Somewhere else</p>} />
    </Routes>,
    "/show/lesson/7",
  );
}

beforeEach(() => {
  serve(PLACE, lesson());
  serve("GET /api/show/letters/l", L_DRAWING);
});
afterEach(() => {
  vi.useRealTimers();
});

const title = async () => (await screen.findByRole("heading", { level: 1 })).textContent;
const places = () => askedOf(PLACE).map(({ body }) => body);

test("it begins at its first step, or where it was left", async () => {
  board(lesson());
  expect(await title()).toBe("The settle step");
});

test("a lesson that was left at a step goes on there, by the step's kind", async () => {
  board(lesson({ at: "close" }));
  expect(await title()).toBe("The close step");
});

test("page keys turn it and stop at the ends; each place is remembered", async () => {
  const { user } = board(lesson());
  await title();
  await user.keyboard("{PageUp}");
  expect(await title()).toBe("The settle step");
  await user.keyboard("{PageDown}{PageDown}{PageDown}");
  expect(await title()).toBe("The close step");
  await vi.waitFor(() => {
    expect(places()).toEqual([
      { at: "show", by: THIS_SCREEN },
      { at: "close", by: THIS_SCREEN },
    ]);
  });
});

test("a skipped step is not come to; a step is gone to by its name", async () => {
  const steps = [step("settle"), step("show", { skipped: true }), step("close"), step("home")];
  const { user } = board(lesson({ steps }));
  await user.click(await screen.findByRole("button", { name: "The home step" }));
  expect(await title()).toBe("The home step");
  await user.click(screen.getByRole("button", { name: "Back" }));
  await user.click(screen.getByRole("button", { name: "Back" }));
  expect(await title()).toBe("The settle step");
});

test("when every step is skipped it says so", async () => {
  board(lesson({ steps: [step("settle", { skipped: true })] }));
  expect(await screen.findByText("Every step of this lesson is skipped.")).toBeVisible();
});

test("M shows the step another way, and the next step begins by showing", async () => {
  const first = stop("settle", { showings: ["shown", "memory"] });
  const memory = stop("look_back", { showings: ["memory", "shown"], text: "" });
  const { user } = board(lesson({ course: [first, memory] }));
  await title();
  expect(screen.getByRole("radio", { name: "Show" })).toBeChecked();
  await user.keyboard("m");
  const empty = "There is no earlier letter to remember yet.";
  expect(await screen.findByText(empty)).toBeVisible();
  await user.keyboard("{PageDown}");
  expect(screen.queryByText(empty)).toBeNull();
});

test("the last step gives the lesson, and goes back to the day's plan", async () => {
  serve(CLOSE, lesson({ given: true }));
  const { user } = board(lesson({ at: "close" }));
  await user.click(await screen.findByRole("button", { name: "Finish the lesson" }));
  expect(await screen.findByText("Somewhere else")).toBeVisible();
  expect(screen.getByTestId("address")).toHaveTextContent("/plan/today");
});

test("a close that is refused keeps the board and says why", async () => {
  refuse(CLOSE, "The lesson is not there any more.");
  const { user } = board(lesson({ at: "close" }));
  await user.click(await screen.findByRole("button", { name: "Finish the lesson" }));
  expect(await screen.findByText("The lesson is not there any more.")).toBeVisible();
  expect(await title()).toBe("The close step");
});

test("a lesson that was replaced says so, and leads to earlier ones", async () => {
  const gone = { type: "about:blank", title: "Gone", status: 404, detail: "no lesson", where: [] };
  putUp(
    <Routes>
      <Route path="/show/lesson/:id" element={<LessonBoard />} />
    </Routes>,
    "/show/lesson/8",
  );
  serve("GET /api/plan/lessons/8", () => Response.json(gone, { status: 404 }));
  expect(await screen.findByText(/another was planned in its place/)).toBeVisible();
  expect(screen.getByRole("link", { name: /earlier ones/ })).toHaveAttribute("href", "/plan/today");
});

test("the time of a step fills without a sound, and is over when it is over", () => {
  vi.useFakeTimers();
  putUp(<StepTime minutes={1.5} />);
  expect(screen.getByRole("img", { name: "1.5 minutes; 0 % gone" })).toBeInTheDocument();
  act(() => {
    vi.advanceTimersByTime(45_000);
  });
  expect(screen.getByRole("img", { name: "1.5 minutes; 50 % gone" })).toBeInTheDocument();
  act(() => {
    vi.advanceTimersByTime(50_000);
  });
  expect(screen.getByRole("img", { name: "1.5 minutes; they are over" })).toBeInTheDocument();
});

const round = (part: string) =>
  courseOf([step("show"), step("own")], [part]).map((one) => ({
    ...one,
    part,
    name: `${one.title}: ${part}`,
  }));

test("of several letters the letter steps come round, and the place is kept with its letter", async () => {
  const steps = [step("show"), step("own"), step("close")];
  const course = [...round("l"), ...round("i"), ...courseOf([step("close")], ["l", "i"])];
  serve("GET /api/show/letters/i", { ...L_DRAWING, letter: "i" });
  const { user } = board(lesson({ new: ["l", "i"], steps, course, at: "own", part: "l" }));
  expect(await title()).toBe("The own step: l");
  await user.keyboard("{PageDown}");
  expect(await title()).toBe("The show step: i");
  await vi.waitFor(() => {
    expect(places()).toEqual([{ at: "show", part: "i", by: THIS_SCREEN }]);
  });
});

test("another screen turns the board; what it did itself it knows", async () => {
  board(lesson());
  const first = await title();
  act(() => {
    happens("/api/write/live", "place", { lesson: 7, step: "show", part: null, by: THIS_SCREEN });
    happens("/api/write/live", "place", { lesson: 8, step: "show", part: null, by: "phone" });
  });
  expect(await title()).toBe(first);
  act(() => {
    happens("/api/write/live", "place", { lesson: 7, step: "show", part: null, by: "phone" });
  });
  expect(await title()).toBe("The show step");
  expect(places()).toEqual([]);
});

test("the aim stands at the beginning, and is looked at again at the end", async () => {
  const aim = "Today you will write l.";
  const { user } = board(lesson({ aim }));
  expect(await screen.findByText(aim)).toBeVisible();
  await user.keyboard("{PageDown}");
  expect(screen.queryByText(aim)).toBeNull();
  await user.keyboard("{PageDown}");
  expect(await screen.findByText(`“${aim}” Did we do it?`)).toBeVisible();
});
