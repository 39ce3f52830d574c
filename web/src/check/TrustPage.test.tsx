/** What is said of trust: only what was counted, in plain words, and put back in one press. */
import { screen, within } from "@testing-library/react";
import { beforeEach, expect, test } from "vitest";

import type { TrustOut } from "../api/schema";
import { CLASSROOM } from "../test/samples";
import { putUp } from "../test/screen";
import { askedOf, serve } from "../test/server";
import { TrustPage } from "./TrustPage";

const NONE = { agreed: 0, of: 0, low: null, high: null };
const MANY = { agreed: 18, of: 20, low: 0.699, high: 0.972 };
const TRUST: TrustOut = {
  seen: MANY,
  blind: NONE,
  many: 12,
  findings: [
    {
      code: "slant",
      name: "leans",
      blind: NONE,
      seen: { ...NONE, agreed: 3, of: 4 },
      many: 0,
      missed: 2,
      doubted: false,
      ended: false,
    },
    {
      code: "width",
      name: "too wide or narrow",
      blind: NONE,
      seen: { ...MANY, agreed: 1 },
      many: 0,
      missed: 0,
      doubted: true,
      ended: false,
    },
  ],
  letters: [{ name: "n", share: MANY }],
  hands: [],
  sources: [],
};

beforeEach(() => {
  serve("GET /api/classroom", CLASSROOM);
  serve("GET /api/check/trust", TRUST);
});

test("blind words come first, and too few say nothing", async () => {
  putUp(<TrustPage />);
  expect(await screen.findByText("Nothing was judged blind yet.")).toBeVisible();
  expect(screen.getByText(/agreed with 18 of 20; .* between 70 and 97 of a hundred/)).toBeVisible();
  expect(screen.getByText(/Another 12 you agreed to together/)).toBeVisible();
  const leans = screen.getByRole("row", { name: /^leans/ });
  expect(within(leans).getByText("too few to say")).toBeVisible();
});

test("what counts less is said with its reason, and ended in one press", async () => {
  serve("PUT /api/check/trust/width", undefined);
  const { user } = putUp(<TrustPage />);
  const less = within(await screen.findByRole("region", { name: "What counts less here" }));
  expect(less.getByText("too wide or narrow")).toBeVisible();
  await user.click(less.getByRole("button", { name: "Let it count in full again" }));
  expect(askedOf("PUT /api/check/trust/width")[0]?.body).toEqual({ in_full: true });
});

test("of nothing judged nothing is said", async () => {
  serve("GET /api/check/trust", { ...TRUST, findings: [] });
  putUp(<TrustPage />);
  expect(await screen.findByText(/Nothing can be said yet/)).toBeVisible();
});
