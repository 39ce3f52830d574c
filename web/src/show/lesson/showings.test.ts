import { expect, test } from "vitest";

import { showingAfter } from "./showings";

test("the ways go round, and one that is none begins anew", () => {
  expect(showingAfter(["shown", "memory", "write"], "memory")).toBe("write");
  expect(showingAfter(["shown", "memory", "write"], "write")).toBe("shown");
  expect(showingAfter(["shown"], "pairs")).toBe("shown");
});
