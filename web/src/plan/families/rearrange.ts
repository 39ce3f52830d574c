/** Pure functions from families to families: what a teacher does to them with hand or keyboard. */
import type { FamilyOut as Family, FamilyIn } from "../../api/schema";

export type Families = readonly FamilyIn[];

/** Where a letter stands: the place of its family, and its place there. */
export interface Spot {
  family: number;
  place: number;
}

/** A place after whatever letters there are. */
export const LAST = Number.MAX_SAFE_INTEGER;

/** What is sent of a family: what is computed of it is left out. */
export function kept({ name, why, letters, exceptions }: Family): FamilyIn {
  return { name, why, letters, exceptions };
}

export function spotOf(families: Families, letter: string): Spot | undefined {
  const family = families.findIndex(({ letters }) => letters.includes(letter));
  const place = families[family]?.letters.indexOf(letter) ?? -1;
  return place < 0 ? undefined : { family, place };
}

/** The letter at another spot, or in no family. A reason for being different stays behind. */
export function moveLetter(families: Families, letter: string, to: Spot | null): FamilyIn[] {
  const home = spotOf(families, letter)?.family;
  const without = families.map((family, at) =>
    at === home && at !== to?.family ? withoutLetter(family, letter) : family,
  );
  if (!to) return without;
  return without.map((family, at) => {
    if (at !== to.family) return family;
    const others = family.letters.filter((one) => one !== letter);
    const letters = [...others.slice(0, to.place), letter, ...others.slice(to.place)];
    return { ...family, letters };
  });
}

function withoutLetter(family: FamilyIn, letter: string): FamilyIn {
  const others = Object.entries(family.exceptions).filter(([one]) => one !== letter);
  return {
    ...family,
    letters: family.letters.filter((one) => one !== letter),
    exceptions: Object.fromEntries(others),
  };
}

/** The letter one step on: along its family, or (`down`) to the family below or above. */
export function stepLetter(
  families: Families,
  letter: string,
  step: { along?: number; down?: number },
): FamilyIn[] {
  const spot = spotOf(families, letter);
  if (!spot) return [...families];
  const family = within(spot.family + (step.down ?? 0), families.length - 1);
  const letters = families[family]?.letters ?? [];
  const last = family === spot.family ? letters.length - 1 : letters.length;
  return moveLetter(families, letter, {
    family,
    place: within(spot.place + (step.along ?? 0), last),
  });
}

export function moveFamily(families: Families, at: number, by: number): FamilyIn[] {
  const to = within(at + by, families.length - 1);
  const others = families.filter((_, one) => one !== at);
  const moved = families[at];
  return moved ? [...others.slice(0, to), moved, ...others.slice(to)] : [...families];
}

export function replaceFamily(families: Families, at: number, by: readonly FamilyIn[]): FamilyIn[] {
  return [...families.slice(0, at), ...by, ...families.slice(at + 1)];
}

export function changeFamily(families: Families, at: number, part: Partial<FamilyIn>): FamilyIn[] {
  return families.map((family, one) => (one === at ? { ...family, ...part } : family));
}

function within(value: number, last: number): number {
  return Math.max(0, Math.min(last, value));
}

/** The letter one step on from another; itself where there is none. */
export function neighbour(
  families: readonly { letters: readonly string[] }[],
  letter: string,
  { along = 0, down = 0 }: { along?: number; down?: number },
): string {
  const rows = families.map(({ letters }) => letters).filter((letters) => letters.length);
  const order = rows.flat();
  if (along) return order[order.indexOf(letter) + along] ?? letter;
  const row = rows.findIndex((letters) => letters.includes(letter));
  const next = rows[row + down];
  return next?.[Math.min(rows[row]?.indexOf(letter) ?? 0, next.length - 1)] ?? letter;
}
