/** What hands and rulings are called on the screen. A school's own hand is called as its file says. */
import type { ClassIn } from "../api/schema";

const HAND_NAMES: Record<string, string> = {
  plain: "Print",
  flick: "Print with flicks",
  joined: "Joined",
  looped: "Joined with loops",
};

export function handName(hand: string): string {
  return HAND_NAMES[hand] ?? hand;
}

export const RULING_NAMES: Record<NonNullable<ClassIn["ruling"]>, string> = {
  base: "One line",
  two: "Two lines",
  three: "Three lines",
  four: "Four lines",
  squares: "Squares",
};
