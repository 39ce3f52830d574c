import { screen, within } from "@testing-library/react";
import { beforeEach, expect, test } from "vitest";

import type { GroupsOut } from "../../api/schema";
import { ALPHABET, CLASSROOM, JORI, MILA } from "../../test/samples";
import { putUp } from "../../test/screen";
import { askedOf, refuse, serve } from "../../test/server";
import { GroupsDesk } from "./GroupsDesk";

const GROUPS: GroupsOut = {
  today: "2026-03-06",
  next_day: "2026-03-09",
  groups: [
    {
      name: "back along the stem, then over",
      dimension: "shape",
      letters: ["n", "h"],
      members: [
        { pupil: JORI, letters: ["n"], dimensions: ["shape"] },
        { pupil: MILA, letters: ["n", "h"], dimensions: ["shape"] },
      ],
      lesson: { new: ["n", "h"], minutes: 10, shape: "mend", habit: "retrace_gap", group: [1, 2] },
      planned: null,
    },
  ],
  alone: [{ pupil: { ...MILA, id: 9, name: "Pia" }, why: "nobody_shares" }],
  apart: [],
};

beforeEach(() => {
  serve("GET /api/grow/groups", GROUPS);
  serve("GET /api/classroom", CLASSROOM);
  serve("GET /api/show/alphabet", ALPHABET);
});

test("a group says what it shares, who is in it, and with which letters", async () => {
  putUp(<GroupsDesk />);
  const groups = within(await screen.findByRole("list", { name: "Groups" }));
  expect(groups.getByRole("heading")).toHaveTextContent("back along the stem, then over");
  expect(groups.getByText("Mila").parentElement).toHaveTextContent("Mila n h");
  expect(screen.getByRole("region", { name: "In no group" })).toHaveTextContent(
    "Pia: nobody else is weak in the same.",
  );
});

test("its lesson is sent to be planned as it is proposed; what is refused is said", async () => {
  refuse("POST /api/plan/lessons", "A lesson is open to pads.");
  const { user } = putUp(<GroupsDesk />);
  await user.click(await screen.findByRole("button", { name: "Plan ten minutes on it" }));
  expect(await screen.findByRole("alert")).toHaveTextContent("A lesson is open to pads.");
  const [asked] = askedOf("POST /api/plan/lessons");
  expect(asked?.body).toEqual({ ...GROUPS.groups[0]?.lesson, next_day: true });
});

test("it may be for today; what is planned for a group is said, and leads to its lesson", async () => {
  serve("POST /api/plan/lessons", {});
  const { user } = putUp(<GroupsDesk />);
  await user.click(await screen.findByRole("radio", { name: "for today" }));
  const [group] = GROUPS.groups;
  serve("GET /api/grow/groups", {
    ...GROUPS,
    groups: [{ ...group, planned: { lesson: 7, day: "2026-03-06" } }],
  });
  await user.click(screen.getByRole("button", { name: "Plan ten minutes on it" }));
  expect(await screen.findByRole("link", { name: "To its lesson" })).toHaveAttribute(
    "href",
    "/plan/today?lesson=7",
  );
  expect(askedOf("POST /api/plan/lessons")[0]?.body).toMatchObject({ next_day: false });
});

test("a group on a letter says where each child fails", async () => {
  const [group] = GROUPS.groups;
  const members = group?.members.map((one) => ({ ...one, dimensions: ["direction" as const] }));
  serve("GET /api/grow/groups", {
    ...GROUPS,
    groups: [{ ...group, name: "n", dimension: null, members }],
  });
  putUp(<GroupsDesk />);
  expect(await screen.findByRole("heading", { name: "The letter n" })).toBeVisible();
  expect(screen.getByText("Mila").parentElement).toHaveTextContent("Mila the way it goes");
});

test("two are kept apart and may be together again", async () => {
  serve("PUT /api/grow/apart", { ...GROUPS, groups: [], apart: [{ one: JORI, other: MILA }] });
  const { user } = putUp(<GroupsDesk />);
  await user.click(await screen.findByRole("button", { name: "Keep apart" }));
  expect(await screen.findByText(/No two children are weak in the same/)).toBeVisible();
  await user.click(screen.getByRole("button", { name: /Jori and Mila may be together/ }));
  expect(askedOf("PUT /api/grow/apart").map(({ body }) => body)).toEqual([
    { one_id: MILA.id, other_id: JORI.id, apart: true },
    { one_id: JORI.id, other_id: MILA.id, apart: false },
  ]);
});
