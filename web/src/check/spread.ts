/** Which attempts lie on the table. */
import type { Attempt } from "../api/client";

export const SPREADS = [
  { value: "newest", label: "Newest of each child" },
  { value: "open", label: "Not looked at yet" },
  { value: "all", label: "All" },
] as const;

export type Spread = (typeof SPREADS)[number]["value"];

/** Attempts come newest first; they are laid out by child's name where there is one of each. */
export function spread(attempts: Attempt[], which: Spread, pupil: number | undefined): Attempt[] {
  const own = pupil ? attempts.filter((attempt) => attempt.pupil.id === pupil) : attempts;
  switch (which) {
    case "all":
      return own;
    case "open":
      return own.filter((attempt) => !attempt.judgement);
    case "newest": {
      const newest = new Map<number, Attempt>();
      for (const attempt of own) {
        if (!newest.has(attempt.pupil.id)) newest.set(attempt.pupil.id, attempt);
      }
      return [...newest.values()].sort((a, b) => a.pupil.name.localeCompare(b.pupil.name));
    }
  }
}
