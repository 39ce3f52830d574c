/** A word as its chain of families: under each letter the number of the family it belongs to. */
import type { PickedOut as PickedWord } from "../../api/schema";

export function FamilyWord({ picked, numbers }: { picked: PickedWord; numbers: FamilyNumbers }) {
  const letters = Array.from(picked.word.text);
  return (
    <span
      role="img"
      aria-label={`${picked.word.text}: ${picked.families.join(", ")}`}
      className="inline-flex"
    >
      {letters.map((letter, at) => (
        <span key={at} aria-hidden className="flex w-[0.8em] flex-col items-center text-lg">
          {letter}
          <span className="text-xs leading-none font-bold text-rule-deep">
            {numbers.get(picked.families[at] ?? "") ?? ""}
          </span>
        </span>
      ))}
    </span>
  );
}

/** The families that words are made of, numbered as they are first met. */
export type FamilyNumbers = ReadonlyMap<string, number>;

export function numbered(words: readonly Pick<PickedWord, "families">[]): FamilyNumbers {
  const numbers = new Map<string, number>();
  for (const family of words.flatMap(({ families }) => families)) {
    if (family !== "" && !numbers.has(family)) numbers.set(family, numbers.size + 1);
  }
  return numbers;
}

export function FamilyLegend({ numbers }: { numbers: FamilyNumbers }) {
  return (
    <ul aria-label="Families" className="flex flex-wrap gap-x-4 text-sm">
      {[...numbers].map(([family, number]) => (
        <li key={family}>
          <span className="font-bold text-rule-deep">{number}</span> {family}
        </li>
      ))}
    </ul>
  );
}
