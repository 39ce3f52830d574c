/** What a helper sees of what only the teacher may change. */
import { screen } from "@testing-library/react";
import { expect, test } from "vitest";

import { CLASSROOM } from "../test/samples";
import { putUp } from "../test/screen";
import { serve } from "../test/server";
import { Button } from "./Button";
import { Hers } from "./Hers";

test.each([true, false])("who helps (%s) is told so, and presses nothing", async (helps) => {
  serve("GET /api/classroom", { ...CLASSROOM, helps });
  putUp(
    <Hers>
      <Button>Plan it</Button>
    </Hers>,
  );
  if (helps) await screen.findByRole("note");
  const button = screen.getByRole("button", { name: "Plan it" });
  if (helps) expect(button).toBeDisabled();
  else expect(button).toBeEnabled();
});
