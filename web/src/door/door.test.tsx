/** The door: what is typed goes to the server as it is, and what it says against it is told. */
import { screen, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";

import { putUp } from "../test/screen";
import { askedOf, refuse, serve } from "../test/server";
import { NewAccount } from "./NewAccount";
import { SignIn } from "./SignIn";

const button = (name: string) => screen.getByRole("button", { name });

test("a wrong password is told, and nothing that was typed is lost", async () => {
  refuse("POST /api/session", "This name and this password do not go together.");
  const { user } = putUp(<SignIn />);
  await user.type(screen.getByLabelText("Your name"), "Ms Reed");
  await user.type(screen.getByLabelText("Password"), "a hen{Enter}");
  expect(await screen.findByRole("alert")).toHaveTextContent("do not go together");
  expect(screen.getByLabelText("Your name")).toHaveValue("Ms Reed");
  expect(screen.getByLabelText("Password")).toHaveValue("a hen");
  expect(askedOf("POST /api/session")[0]?.body).toEqual({ name: "Ms Reed", password: "a hen" });
  expect(button("Sign in")).toBeEnabled();
});

test("a password is hidden until it is asked to be shown, and filled in by who keeps it", async () => {
  const { user } = putUp(<SignIn />);
  const line = screen.getByLabelText("Password");
  expect(line).toHaveAttribute("type", "password");
  expect(line).toHaveAttribute("autocomplete", "current-password");
  await user.click(screen.getByRole("checkbox", { name: "show the password" }));
  expect(line).toHaveAttribute("type", "text");
});

test("while it is asked nobody presses twice", async () => {
  let answer: (value: Response) => void = () => undefined;
  serve("POST /api/session", () => new Promise<Response>((done) => (answer = done)));
  const { user } = putUp(<SignIn />);
  await user.type(screen.getByLabelText("Your name"), "Ms Reed");
  await user.type(screen.getByLabelText("Password"), "a hen on a wall{Enter}");
  expect(await screen.findByRole("button", { name: "One moment …" })).toBeDisabled();
  const detail = "Too many at once; try again in a moment.";
  answer(
    Response.json({ type: "", title: "Busy", status: 429, detail, where: [] }, { status: 429 }),
  );
  expect(await screen.findByRole("alert")).toHaveTextContent("try again in a moment");
  expect(button("Sign in")).toBeEnabled();
});

test("the first account says what a password needs, and signs nobody in where it is refused", async () => {
  refuse("POST /api/account", "There is an account already.");
  const { user } = putUp(<NewAccount classWaits />);
  expect(screen.getByText(/A class is here already/)).toBeVisible();
  const line = screen.getByLabelText("Password");
  expect(line).toHaveAccessibleDescription(/8 characters or more/);
  expect(line).toHaveAttribute("minlength", "8");
  await user.type(screen.getByLabelText("Your name"), "Ms Reed");
  await user.type(line, "a hen on a wall");
  await user.click(button("Go on"));
  expect(await screen.findByRole("alert")).toHaveTextContent("There is an account already.");
  await waitFor(() => {
    expect(askedOf("POST /api/account")).toHaveLength(1);
  });
  expect(askedOf("POST /api/session")).toEqual([]);
});
