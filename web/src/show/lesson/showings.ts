/** The ways in which the board can show a step, by name; which a step has is the lesson's to say. */
import type { Showing } from "../../api/schema";

export const SHOWING_NAMES: Record<Showing, string> = {
  shown: "Show",
  rub_out: "Find and rub out",
  turns: "Taking turns",
  beside: "Print and joined",
  memory: "From memory",
  pairs: "Missing pair",
  write: "Write here",
};

/** The next one round. */
export function showingAfter(showings: readonly Showing[], showing: Showing): Showing {
  return showings[(showings.indexOf(showing) + 1) % showings.length] ?? "shown";
}
