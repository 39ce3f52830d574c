/** What who is done early may write: lines, whatever comes to mind, as long as the others write. */
import type { PadTaskOut } from "../api/schema";

const ROWS = 3;

/** The task of it: as free writing is, with no end. */
export function freely(task: PadTaskOut): PadTaskOut {
  return {
    ...task,
    kind: "free",
    target: "",
    help: "recall",
    model: null,
    gap: "",
    cells: false,
    rows: ROWS,
    enough: null,
    is_enough: false,
    written: 0,
    prompt: { sound: null, picture: null, drawing: null, question: task.further },
  };
}
