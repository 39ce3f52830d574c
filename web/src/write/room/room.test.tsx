/** The room: each child's letters as they come, who is looked at, what pads are called to. */
import { screen, waitFor, within } from "@testing-library/react";
import type { ReactNode } from "react";
import { beforeEach, expect, test } from "vitest";

import { useFollowClass } from "../../api/roomQueries";

import type { ChildOut, PadOut, RoomOut, WorkTold } from "../../api/schema";
import { happens } from "../../test/events";
import { CLASSROOM } from "../../test/samples";
import { putUp } from "../../test/screen";
import { askedOf, serve } from "../../test/server";
import { RoomDesk } from "./RoomDesk";

const CODE = {
  code: "otter kite",
  url: "https://10.0.0.7:8000/pad?code=otter-kite",
  qr_svg: "<svg/>",
  lesson: 3,
  reaches: true,
};

function work(id: string, changes: Partial<WorkTold> = {}): WorkTold {
  return {
    id,
    who: { id: 1, name: "Mila", picture: null, tile: null },
    letter: "n",
    kind: "letter",
    help: "copy",
    verdict: { direction: "not_yet", size: "secure", shape: "secure" },
    say: "Start on the mid line.",
    to_mend: ["start_place"],
    picture: {
      text: "n",
      strokes: [
        [
          [0, 1],
          [0, 0],
        ],
      ],
    },
    struck: false,
    judged: true,
    best: false,
    at: "2026-01-12T09:14:03Z",
    attempt_id: 1,
    text_id: null,
    ...changes,
  };
}

function child(id: number, name: string, changes: Partial<ChildOut> = {}): ChildOut {
  return {
    who: { id, name, picture: null, tile: null },
    pad: String(id),
    silent: false,
    lesson: 3,
    going: "writing",
    written: 1,
    enough: 5,
    newest: [],
    ...changes,
  };
}

const ROOM: RoomOut = {
  lessons: [
    {
      code: CODE,
      lesson: 3,
      aim: "",
      new: ["n"],
      step: "own",
      part: null,
      title: "Trace, finish, own",
      is_full: false,
      group: null,
    },
  ],
  children: [
    child(1, "Mila", { newest: [work("a")], going: "stuck" }),
    child(2, "Jori", { going: "not_begun" }),
    child(3, "Ada"),
  ],
  mend: [{ code: "start_place", what: "start where the letter starts", children: [1] }],
  set_aside: [],
};

function pad(number: string, changes: Partial<PadOut> = {}): PadOut {
  return {
    pad: number,
    state: "in",
    pupil: null,
    lesson: 3,
    opens_alone: true,
    keeps: true,
    is_full: false,
    ...changes,
  };
}

function Following({ children }: { children: ReactNode }) {
  useFollowClass();
  return children;
}

const names = () => {
  const [children] = screen.getAllByRole("list");
  return children
    ? within(children)
        .queryAllByRole("button")
        .map((one) => one.textContent)
    : [];
};

beforeEach(() => {
  serve("GET /api/classroom", CLASSROOM);
  serve("GET /api/write/room", ROOM);
  serve("GET /api/write/pads", [pad("1"), pad("2", { state: "silent", opens_alone: false })]);
  serve("POST /api/write/call", undefined);
});

test("each child stands there by name with its last letter, and what to say to it", async () => {
  putUp(<RoomDesk />);
  expect(await screen.findByText("Start on the mid line.")).toBeInTheDocument();
  expect(names()).toHaveLength(3);
  expect(screen.getByText("otter kite")).toBeInTheDocument();
  expect(await screen.findByText("2 pads in, 1 silent")).toBeInTheDocument();
  expect(screen.getByText(/One pad keeps/)).toBeInTheDocument();
});

test("a pad that sends more than a child could write, and a lesson that is full, are told", async () => {
  const [lesson] = ROOM.lessons;
  serve("GET /api/write/room", { ...ROOM, lessons: [{ ...lesson, is_full: true }] });
  serve("GET /api/write/pads", [pad("1", { is_full: true }), pad("2")]);
  serve("DELETE /api/write/pads/1", undefined);
  const { user } = putUp(<RoomDesk />);
  expect(await screen.findByText(/2 pads are in, and no more can come/)).toBeInTheDocument();
  expect(await screen.findByText(/more than a child could write/)).toBeInTheDocument();
  await user.click(screen.getByRole("button", { name: "Put it out" }));
  await waitFor(() => {
    expect(askedOf("DELETE /api/write/pads/1")).toHaveLength(1);
  });
});

test("only those are shown that are looked for, and to the one to watch there is a way", async () => {
  const { user } = putUp(<RoomDesk />);
  await user.click(await screen.findByRole("radio", { name: "Not begun 1" }));
  expect(names()).toHaveLength(1);
  expect(names()[0]).toContain("Jori");
  await user.selectOptions(screen.getByRole("combobox"), "start where the letter starts (1)");
  expect(names()[0]).toContain("Mila");
  await user.click(screen.getByRole("button", { name: /Mila/ }));
  const panel = screen.getByRole("region", { name: "Mila" });
  expect(within(panel).getByText("stuck: go and see")).toBeInTheDocument();
  await user.click(within(panel).getByRole("button", { name: "Show the movement" }));
  expect(askedOf("POST /api/write/call").at(-1)?.body).toEqual({
    what: "replay",
    lesson: 3,
    pad: 1,
  });
});

test("what comes is looked at at once", async () => {
  putUp(<RoomDesk />);
  await screen.findByText("Start on the mid line.");
  serve("GET /api/write/room", {
    ...ROOM,
    children: [
      child(1, "Mila", { newest: [work("a"), work("b", { say: "Close it.", best: true })] }),
    ],
  });
  happens("/api/write/live", "attempt", work("b"));
  expect(await screen.findByText("Close it.")).toBeInTheDocument();
  expect(screen.getByRole("img", { name: "n, chosen as the best" })).toBeInTheDocument();
});

test("pads that ask are let in all at once, and all are called to the board", async () => {
  serve("GET /api/write/pads", [pad("4", { state: "asking" }), pad("5", { state: "asking" })]);
  serve("POST /api/write/nod", { nodded: 2 });
  const { user } = putUp(<RoomDesk />);
  await user.click(await screen.findByRole("button", { name: "Let all in" }));
  expect(askedOf("POST /api/write/nod")[0]?.body).toEqual({ pads: null, lesson: 3 });
  await user.click(screen.getByRole("button", { name: "Look at the board" }));
  await waitFor(() => {
    expect(askedOf("POST /api/write/call").at(-1)?.body).toEqual({ what: "look", lesson: 3 });
  });
});

test("what has changed in the class on another screen is asked anew", async () => {
  putUp(
    <Following>
      <RoomDesk />
    </Following>,
  );
  await screen.findByText("Start on the mid line.");
  const before = askedOf("GET /api/classroom").length;
  happens("/api/write/live", "class", { open: true });
  await waitFor(() => {
    expect(askedOf("GET /api/classroom").length).toBeGreaterThan(before);
  });
});

test("without a lesson there is one step: to open it", async () => {
  serve("GET /api/write/room", { lessons: [], children: [], mend: [], set_aside: [] });
  serve("GET /api/write/pads", []);
  serve("POST /api/write/lesson-code", CODE);
  const { user } = putUp(<RoomDesk />);
  await user.click(await screen.findByRole("button", { name: "Open the lesson to pads" }));
  await waitFor(() => {
    expect(askedOf("POST /api/write/lesson-code")).toHaveLength(1);
  });
});

test("what lies on pads, refused, is told with its reason, and let go after a question", async () => {
  const refused = {
    id: "a",
    pad: "1",
    who: { id: 1, name: "Mila", picture: null, tile: null },
    kind: "letter",
    target: "n",
    why: "written after the lesson's end",
    at: "2026-01-12T09:14:03Z",
  };
  serve("GET /api/write/room", { ...ROOM, set_aside: [refused] });
  serve("GET /api/write/pads", [pad("1", { keeps: false })]);
  serve("DELETE /api/write/set-aside/a", undefined);
  const { user } = putUp(<RoomDesk />);
  const told = await screen.findByRole("region", { name: "Set aside on pads" });
  expect(told).toHaveTextContent("Mila, nwritten after the lesson's end");
  expect(await screen.findByText(/One pad cannot keep/)).toBeInTheDocument();
  await user.click(within(told).getByRole("button", { name: "Let it go" }));
  expect(askedOf("DELETE /api/write/set-aside/a")).toHaveLength(0);
  await user.click(screen.getByRole("button", { name: "Wipe it" }));
  await waitFor(() => {
    expect(askedOf("DELETE /api/write/set-aside/a")).toHaveLength(1);
  });
});

test("a letter that the check failed on is told as that", async () => {
  const failed = work("a", { judged: false, say: null, to_mend: [] });
  serve("GET /api/write/room", { ...ROOM, children: [child(1, "Mila", { newest: [failed] })] });
  const { user } = putUp(<RoomDesk />);
  await user.click(await screen.findByRole("button", { name: /Mila/ }));
  expect(screen.getByText(/The check failed on this one/)).toBeInTheDocument();
});
