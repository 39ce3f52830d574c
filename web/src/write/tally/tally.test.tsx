/** The tally: one choice, a tap a child, and the last tap taken back. */
import { screen, waitFor } from "@testing-library/react";
import { beforeEach, expect, test } from "vitest";

import { CLASSROOM } from "../../test/samples";
import { putUp } from "../../test/screen";
import { askedOf, serve } from "../../test/server";
import { TallyDesk } from "./TallyDesk";

beforeEach(() => {
  serve("GET /api/classroom", CLASSROOM);
  serve("GET /api/plan/today", { lesson: { letters: ["n"] } });
  serve("GET /api/write/tally", [
    { code: "start_place", name: "from the foot", picture: null },
    { code: "shape_off", name: "Shape", picture: null },
  ]);
  serve("POST /api/write/tally", { id: 7 });
  serve("DELETE /api/write/attempts/7", undefined);
});

test("a tap keeps what was chosen, a key takes it back", async () => {
  const { user } = putUp(<TallyDesk />);
  const [child] = CLASSROOM.pupils;
  const tile = await screen.findByRole("button", { name: new RegExp(child?.name ?? "") });
  await user.click(await screen.findByRole("radio", { name: "from the foot" }));
  await user.click(tile);
  await waitFor(() => {
    expect(tile).toHaveTextContent("from the foot");
  });
  expect(askedOf("POST /api/write/tally")[0]?.body).toEqual({
    pupil_id: child?.id,
    letter: "n",
    seen: "start_place",
  });
  await user.keyboard("z");
  await waitFor(() => {
    expect(tile).not.toHaveTextContent("from the foot");
  });
  expect(askedOf("DELETE /api/write/attempts/7")).toHaveLength(1);
});

test("well made is what is chosen first", async () => {
  const { user } = putUp(<TallyDesk />);
  const [child] = CLASSROOM.pupils;
  await user.click(await screen.findByRole("button", { name: new RegExp(child?.name ?? "") }));
  await waitFor(() => {
    expect(askedOf("POST /api/write/tally")[0]?.body).toMatchObject({ seen: null });
  });
});
