/** What is taken up on the table, what was taken out of its pile, and what can be undone. Pure. */
import { aboutOf, type Key, keyOf } from "../api/tableQueries";
import type {
  CardOut as Card,
  CodeOut,
  JudgementIn,
  JudgementOut,
  OnFinding,
  SaidIn,
  TableOut,
  Verdict,
} from "../api/schema";

/** Things of one kind, in the order in which they lie. */
export interface Pile {
  key: string;
  name: string;
  cards: readonly Card[];
}

export interface Desk {
  current: Key | undefined;
  /** What is not agreed to with the rest of its pile. */
  out: ReadonlySet<Key>;
  /** What she chose for the wall. */
  wall: ReadonlySet<Key>;
  /** How to take back what was said, the latest last. */
  undo: readonly Undo[];
}

export interface Undo {
  said: string;
  words: readonly SaidIn[];
  many: boolean;
  /** Where one was. */
  at: Key | undefined;
}

export type Step =
  | { do: "take up"; key: Key | undefined }
  | { do: "take out"; key: Key }
  | { do: "wall"; key: Key }
  | { do: "said"; undo: Undo; next: Key | undefined }
  | { do: "undone" };

export const EMPTY: Desk = { current: undefined, out: new Set(), wall: new Set(), undo: [] };

export function step(desk: Desk, one: Step): Desk {
  switch (one.do) {
    case "take up":
      return { ...desk, current: one.key };
    case "take out":
      return { ...desk, out: turned(desk.out, one.key) };
    case "wall":
      return { ...desk, wall: turned(desk.wall, one.key) };
    case "said":
      return { ...desk, current: one.next, undo: [...desk.undo, one.undo] };
    case "undone":
      return { ...desk, current: desk.undo.at(-1)?.at, undo: desk.undo.slice(0, -1) };
  }
}

/** With a key that was not there, without one that was. */
function turned(keys: ReadonlySet<Key>, key: Key): ReadonlySet<Key> {
  const others = new Set(keys);
  if (!others.delete(key)) others.add(key);
  return others;
}

export function pilesOf(table: TableOut): Pile[] {
  return table.piles.map(({ key, name, cards }) => ({
    key,
    name,
    cards: cards.flatMap((place) => table.cards[place] ?? []),
  }));
}

export function inOrder(piles: readonly Pile[]): Card[] {
  return piles.flatMap(({ cards }) => cards);
}

/** The card so many places on, within the table. */
export function beside(cards: readonly Card[], current: Key | undefined, by: number) {
  const at = cards.findIndex((card) => keyOf(card) === current);
  const next = cards[Math.min(cards.length - 1, Math.max(0, at + by))];
  return next && keyOf(next);
}

/** After a word on something: the next that she has not judged, or where she is. */
export function nextOpen(cards: readonly Card[], current: Key | undefined, also: readonly Key[]) {
  const at = cards.findIndex((card) => keyOf(card) === current);
  const open = (card: Card) => !card.judged && !also.includes(keyOf(card));
  const next = cards.slice(at + 1).find(open) ?? cards.slice(0, Math.max(0, at)).find(open);
  return next ? keyOf(next) : current;
}

/** How many the server takes at once. */
export const AT_ONCE = 100;

/** What is agreed to with a pile: what nobody has judged and she has not taken out. */
export function agreedWith(pile: Pile, out: ReadonlySet<Key>): Key[] {
  return pile.cards
    .filter((card) => !card.judged && !card.set_aside)
    .map(keyOf)
    .filter((key) => !out.has(key))
    .slice(0, AT_ONCE);
}

/** A word as it would be said again; of none, that it is taken back. */
export function wordAgain(key: Key, judgement: JudgementOut | null): SaidIn {
  return { ...aboutOf(key), said: judgement && wordOf(judgement) };
}

/** Plain agreement. */
export const PLAIN: JudgementIn = { note: "", say: "", set_aside: false };

/** What was said, to be said again with a change. */
export function wordOf(judgement: JudgementOut | null): JudgementIn {
  if (!judgement) return PLAIN;
  const { direction, size, shape, spacing, line, joins, findings, note, say } = judgement;
  if (judgement.set_aside) return { note, say, set_aside: true };
  return { ...PLAIN, direction, size, shape, spacing, line, joins, findings, note, say };
}

const GRADES = ["secure", "nearly", "not_yet"] as const;

/** The verdict after this one, round and round. */
export function nextVerdict(verdict: (typeof GRADES)[number] | "unseen") {
  const at = GRADES.findIndex((grade) => grade === verdict);
  return GRADES[(at + 1) % GRADES.length] ?? "secure";
}

/** Her word with another verdict; what she said of findings of it follows from that anew. */
export function withVerdict(
  word: JudgementIn,
  name: Name,
  verdict: Verdict,
  codes: readonly CodeOut[],
): JudgementIn {
  const findings = Object.entries(word.findings ?? {}).filter(([code]) => {
    const about = codes.find((one) => one.code === code);
    return about?.dimension !== name && about?.aspect !== name;
  });
  return { ...word, [name]: verdict, findings: Object.fromEntries(findings), set_aside: false };
}

/** Her word with another word on a finding; the verdicts that it is told by follow from it anew. */
export function withFinding(word: JudgementIn, code: CodeOut, said: OnFinding): JudgementIn {
  const again = { ...word, findings: { ...word.findings, [code.code]: said }, set_aside: false };
  again[code.dimension] = null;
  if (code.aspect) again[code.aspect] = null;
  return again;
}

export type Name = CodeOut["dimension"] | NonNullable<CodeOut["aspect"]>;
