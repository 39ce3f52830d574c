/** The ways in which the board can show a step; the first is how it begins. */
import type { StepKind } from "../../api/client";

export type Mode = "shown" | "beside" | "memory" | "pairs" | "write";

const MODES: Partial<Record<StepKind, readonly Mode[]>> = {
  date: ["shown", "write"],
  look_back: ["shown", "memory", "write"],
  show: ["shown", "beside", "memory", "write"],
  words: ["shown", "pairs", "write"],
  sentence: ["shown", "write"],
};

export const MODE_NAMES: Record<Mode, string> = {
  shown: "Show",
  beside: "Print and joined",
  memory: "From memory",
  pairs: "Missing pair",
  write: "Write here",
};

export function modesOf(kind: StepKind): readonly Mode[] {
  return MODES[kind] ?? ["shown"];
}

/** The next one round. */
export function modeAfter(kind: StepKind, mode: Mode): Mode {
  const modes = modesOf(kind);
  return modes[(modes.indexOf(mode) + 1) % modes.length] ?? "shown";
}
