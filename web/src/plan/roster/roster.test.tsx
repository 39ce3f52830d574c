/** The class list: renamed where it stands, taken in from a list, deleted after a question. */
import { screen } from "@testing-library/react";
import { beforeEach, expect, test } from "vitest";

import { CLASSROOM, JORI } from "../../test/samples";
import { putUp } from "../../test/screen";
import { type Asked, askedOf, refuse, serve } from "../../test/server";
import { RosterDesk } from "./RosterDesk";

const RENAME = "PUT /api/classroom/pupils/2";

beforeEach(() => {
  serve("GET /api/classroom", CLASSROOM);
  serve("GET /api/classroom/pupils", { pupils: CLASSROOM.pupils });
  serve("GET /api/school/classes", { classes: [] });
  serve("POST /api/classroom/list", { children: [], faults: [] });
  serve(RENAME, JORI);
});

test("a child is called otherwise, and writes with the other hand", async () => {
  const { user } = putUp(<RosterDesk />);
  const name = await screen.findByRole("textbox", { name: "Name of Jori" });
  await user.clear(name);
  await user.type(name, "Jorie{Enter}");
  await user.click(screen.getAllByRole("radio", { name: "right" })[1] ?? name);
  expect(askedOf(RENAME).map(({ body }) => body)).toEqual([
    { name: "Jorie", handedness: "left" },
    { name: "Jori", handedness: "right" },
  ]);
});

test("a name that is taken is said so, and stays as it was", async () => {
  refuse(RENAME, "Mila is there already; add a letter to tell them apart");
  const { user } = putUp(<RosterDesk />);
  const name = await screen.findByRole("textbox", { name: "Name of Jori" });
  await user.clear(name);
  await user.type(name, "Mila{Enter}");
  expect(await screen.findByRole("alert")).toHaveTextContent("Mila is there already");
  expect(name).toHaveValue("Jori");
});

test("a name that looks like another's is asked about, and taken where they are two", async () => {
  serve(RENAME, ({ query }: Asked) => {
    if (query.alike === "true") return JORI;
    const detail = "Mila is there already and looks just like this";
    return Response.json({ title: "Looks alike", status: 409, detail, where: [] }, { status: 409 });
  });
  const { user } = putUp(<RosterDesk />);
  const name = await screen.findByRole("textbox", { name: "Name of Jori" });
  await user.clear(name);
  await user.type(name, "Мila{Enter}");
  await user.click(await screen.findByRole("button", { name: "They are two" }));
  expect(await screen.findByText(/Jori is called Мila now/)).toBeInTheDocument();
  expect(askedOf(RENAME).map(({ query }) => query.alike)).toEqual(["false", "true"]);
});

test("a child is deleted after a question; what copies still hold is said and can be renewed", async () => {
  serve("DELETE /api/classroom/pupils/2", { copies: 3, until: "2026-12-26" });
  serve("POST /api/classroom/copies", { copies: 0, until: null });
  const { user } = putUp(<RosterDesk />);
  (await screen.findByRole("combobox", { name: "Child to delete" })).focus();
  await user.keyboard("{Enter}");
  await user.click(await screen.findByRole("option", { name: "Jori" }));
  await user.click(screen.getByRole("button", { name: "Delete Jori" }));
  expect(askedOf("DELETE /api/classroom/pupils/2")).toHaveLength(0);
  await user.click(await screen.findByRole("button", { name: "Delete for good" }));
  expect(
    await screen.findByText(/3 copies still hold the child, the last until 26 December/),
  ).toBeVisible();
  await user.click(screen.getByRole("button", { name: "Renew the copies now" }));
  expect(await screen.findByText(/No copy of the record holds the child/)).toBeVisible();
  expect(askedOf("POST /api/classroom/copies")).toHaveLength(1);
});
