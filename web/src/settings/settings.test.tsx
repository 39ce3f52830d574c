/** Settings: who teaches and helps, her own account, the class as a whole, a new school year. */
import { screen, waitFor, within } from "@testing-library/react";
import { beforeEach, expect, test } from "vitest";

import type { SchoolOut, SessionOut, StaffOut } from "../api/schema";
import { CLASSROOM, JORI, MILA } from "../test/samples";
import { putUp } from "../test/screen";
import { askedOf, refuse, serve } from "../test/server";
import { AccountPart } from "./AccountPart";
import { ClassPart } from "./ClassPart";
import { DaysPart } from "./DaysPart";
import { NewYear } from "./NewYear";
import { PadsPart } from "./PadsPart";
import { PeoplePart } from "./PeoplePart";
import { PrivacyPart } from "./PrivacyPart";

const REED: StaffOut = { id: 1, name: "Ms Reed", role: "teacher" };
const WREN: StaffOut = { id: 2, name: "Mr Wren", role: "helper" };
const SCHOOL: SchoolOut = {
  time_zone: "Europe/Dublin",
  time_zones: ["Europe/Dublin"],
  now: "2026-03-02T09:00:00Z",
  colleagues: [
    { id: 2, name: "Mr Wren" },
    { id: 3, name: "Ms Finch" },
  ],
  kept: { file: "record.db", bytes: 1_000_000, copies: 3, copies_until: null, copies_days: 30 },
};
const SIGNED_IN: SessionOut = { state: "in", name: "Ms Reed", has_class: true };

const button = (name: string) => screen.getByRole("button", { name });
const bodies = (route: string) => askedOf(route).map(({ body }) => body);

beforeEach(() => {
  serve("GET /api/session", SIGNED_IN);
  serve("GET /api/classroom/staff", [REED, WREN]);
  serve("GET /api/classroom", CLASSROOM);
});

test("who teaches and who helps is told, and a helper is let go by the one that is meant", async () => {
  serve("DELETE /api/classroom/helpers/2", undefined);
  const { user } = putUp(<PeoplePart school={SCHOOL} teaches />);
  expect(await screen.findByText(/Ms Reed teaches, Mr Wren helps\./)).toBeVisible();
  await user.click(button("End it"));
  await waitFor(() => {
    expect(askedOf("DELETE /api/classroom/helpers/2")).toHaveLength(1);
  });
});

test("who helps shares and hands over nothing, but may add a colleague", async () => {
  putUp(<PeoplePart school={SCHOOL} teaches={false} />);
  expect(await screen.findByText(/Mr Wren helps/)).toBeVisible();
  expect(screen.queryByRole("button", { name: "End it" })).toBeNull();
  expect(screen.queryByText("choose a colleague")).toBeNull();
  expect(screen.getByText("Add a colleague")).toBeVisible();
});

test("in a demonstration there is nobody to share with", async () => {
  serve("GET /api/session", { ...SIGNED_IN, state: "demo", name: null });
  putUp(<PeoplePart school={SCHOOL} teaches />);
  expect(await screen.findByText(/This is a demonstration/)).toBeVisible();
  expect(screen.queryByText("Add a colleague")).toBeNull();
});

test("a colleague has a name and eight characters at the least, and is told to be there", async () => {
  serve("POST /api/school/colleagues", { id: 4, name: "Ms Lark" });
  const { user } = putUp(<PeoplePart school={SCHOOL} teaches />);
  await user.click(await screen.findByText("Add a colleague"));
  await user.type(screen.getByLabelText("Their name"), "Ms Lark");
  await user.type(screen.getByLabelText("A first password"), "a hen o");
  expect(button("Add")).toBeDisabled();
  await user.type(screen.getByLabelText("A first password"), "n a wall");
  await user.click(button("Add"));
  expect(await screen.findByText("Ms Lark can sign in now.")).toBeVisible();
  expect(bodies("POST /api/school/colleagues")).toEqual([
    { name: "Ms Lark", password: "a hen on a wall" },
  ]);
});

test("a colleague's name that is refused is told in the server's words", async () => {
  refuse("POST /api/school/colleagues", "Ms Reed has an account already.");
  const { user } = putUp(<PeoplePart school={SCHOOL} teaches />);
  await user.click(await screen.findByText("Add a colleague"));
  await user.type(screen.getByLabelText("Their name"), "Ms Reed");
  await user.type(screen.getByLabelText("A first password"), "a hen on a wall");
  await user.click(button("Add"));
  expect(await screen.findByRole("alert")).toHaveTextContent("Ms Reed has an account already.");
});

test("a new password is asked for with the old one; both lines are empty once it counts", async () => {
  serve("PUT /api/school/password", undefined);
  const { user } = putUp(<AccountPart />);
  const [old, fresh] = [
    await screen.findByLabelText("Password now"),
    screen.getByLabelText("New password"),
  ];
  await user.type(old, "a hen on a wall");
  await user.type(fresh, "an owl");
  expect(button("Change it")).toBeDisabled();
  await user.type(fresh, " at noon");
  await user.click(button("Change it"));
  expect(await screen.findByRole("status")).toHaveTextContent("The new password counts.");
  expect(bodies("PUT /api/school/password")).toEqual([
    { old: "a hen on a wall", new: "an owl at noon" },
  ]);
  expect([old, fresh].map((line) => (line as HTMLInputElement).value)).toEqual(["", ""]);
});

test("a wrong old password is told, and what was typed stays", async () => {
  refuse("PUT /api/school/password", "This is not your password.");
  const { user } = putUp(<AccountPart />);
  const old = await screen.findByLabelText("Password now");
  await user.type(old, "another");
  await user.type(screen.getByLabelText("New password"), "an owl at noon");
  await user.click(button("Change it"));
  expect(await screen.findByRole("alert")).toHaveTextContent("This is not your password.");
  expect(old).toHaveValue("another");
});

test("who stays is left out of those who move up, and the button counts them", async () => {
  refuse("POST /api/classroom/new-year", "There is a class of that name.");
  const { user } = putUp(<NewYear name="Reed class" pupils={[MILA, JORI]} />);
  await user.click(button("A new school year"));
  const dialog = within(await screen.findByRole("dialog"));
  const move = dialog.getByRole("button", { name: "Move 2 children up" });
  expect(move).toBeDisabled(); // it has no name yet
  await user.type(dialog.getByLabelText("What is the new class called?"), "Wren class");
  await user.click(dialog.getByRole("checkbox", { name: "Mila" }));
  await user.click(dialog.getByRole("button", { name: "Move 1 child up" }));
  expect(await dialog.findByRole("alert")).toHaveTextContent("There is a class of that name.");
  await user.click(dialog.getByRole("checkbox", { name: "Mila" }));
  expect(dialog.getByRole("button", { name: "Move 2 children up" })).toBeEnabled();
  expect(bodies("POST /api/classroom/new-year")).toEqual([
    { name: "Wren class", pupils: [JORI.id] },
  ]);
});

test("a class is deleted only after a question that says what goes", async () => {
  refuse("DELETE /api/classroom", "Another class is open.");
  const { user } = putUp(<ClassPart classroom={CLASSROOM} teaches />);
  await user.click(button("Delete Reed class"));
  const asks = within(await screen.findByRole("alertdialog"));
  expect(asks.getByText(/its 2 children and everything they wrote go for good/)).toBeVisible();
  await user.click(asks.getByRole("button", { name: "Leave it" }));
  expect(askedOf("DELETE /api/classroom")).toEqual([]);
  await user.click(button("Delete Reed class"));
  await user.click(await screen.findByRole("button", { name: "Delete for good" }));
  expect(await screen.findByRole("alert")).toHaveTextContent("Another class is open.");
  expect(askedOf("DELETE /api/classroom")).toHaveLength(1);
});

test("of a made-up class it is said that its children are nobody; no other is opened beside it", () => {
  putUp(<ClassPart classroom={{ ...CLASSROOM, is_made_up: true }} teaches />);
  expect(screen.getByText(/its children are nobody/)).toBeVisible();
  expect(button("Throw the made-up class away")).toBeVisible();
  expect(screen.queryByRole("button", { name: /Open a made-up class/ })).toBeNull();
});

test("who helps neither renames, deletes nor moves the class on", () => {
  putUp(<ClassPart classroom={CLASSROOM} teaches={false} />);
  expect(screen.getByText(/You help in this class/)).toBeVisible();
  expect(screen.queryByRole("button", { name: /Delete|A new school year/ })).toBeNull();
  expect(screen.queryByLabelText("Name of the class")).toBeNull();
});

test.each([
  [0, "There is no copy now."],
  [1, "There is one copy now; a deleted child is in it until then"],
  [3, "There are 3 copies now; a deleted child is in them until then"],
])("of %i copies it is said what they still hold", (copies, said) => {
  putUp(<PrivacyPart kept={{ ...SCHOOL.kept, bytes: 1_200_000, copies }} />);
  expect(screen.getByText(new RegExp(said))).toBeVisible();
  expect(screen.getByText(/one file on this machine, 2 MB/)).toBeVisible();
});

test("renewed copies are one, and a failure to is told", async () => {
  refuse("POST /api/classroom/copies", "The disc is full.");
  const { user } = putUp(<PrivacyPart kept={SCHOOL.kept} />);
  await user.click(button("Renew the copies now"));
  expect(await screen.findByRole("alert")).toHaveTextContent("The disc is full.");
  serve("POST /api/classroom/copies", { ...SCHOOL.kept, copies: 1 });
  await user.click(button("Renew the copies now"));
  expect(await screen.findByRole("status")).toHaveTextContent("One copy, of the record as it is");
  expect(screen.getByText(/There is one copy now/)).toBeVisible();
});

test("pads are forgotten after a question that says what is lost, and not before", async () => {
  serve("DELETE /api/write/pads", undefined);
  const { user } = putUp(<PadsPart />);
  await user.click(button("Forget all pads"));
  const asks = within(await screen.findByRole("alertdialog"));
  expect(asks.getByText(/what a pad has not handed in yet cannot be taken any more/)).toBeVisible();
  expect(askedOf("DELETE /api/write/pads")).toEqual([]);
  await user.click(asks.getByRole("button", { name: "Forget them" }));
  expect(await screen.findByRole("status")).toHaveTextContent("They are forgotten.");
});

test("the school's zone is chosen, with the time that it is there", async () => {
  serve("PUT /api/school/zone", undefined);
  const zones = ["Europe/Dublin", "America/Halifax"];
  const { user } = putUp(<DaysPart school={{ ...SCHOOL, time_zones: zones }} />);
  expect(screen.getByText("There it is 09:00 now.")).toBeVisible();
  await user.selectOptions(screen.getByRole("combobox"), "America/Halifax");
  await waitFor(() => {
    expect(bodies("PUT /api/school/zone")).toEqual([{ time_zone: "America/Halifax" }]);
  });
});
