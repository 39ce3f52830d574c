/** Something on the table as it was written, with what is held of it; what is in sight has its ink. */
import { Eye, Pin, Ruler, Star } from "lucide-react";
import { memo, useDeferredValue } from "react";

import { useClassroom, useLetter } from "../api/queries";
import type { AttemptOut as Attempt, CardOut as Card } from "../api/schema";
import { type Key, keyOf, type Thing, useThing } from "../api/tableQueries";
import { InkOverModel } from "../ink/InkOverModel";
import { DIMENSIONS, VERDICT_NAMES, VerdictMark } from "../ui/VerdictMark";
import { TextInk } from "./texts/TextInk";

const WHY: Record<Card["why"][number], string> = {
  her_word: "your note",
  at_odds: "you saw this otherwise before",
  two_readings: "could be another letter",
  new_fault: "new for this child",
  unchecked: "not checked",
};

/** What has not changed is not drawn again: the table is scrolled past thousands. */
export const Tile = memo(function Tile({
  card,
  name,
  current,
  isOut,
  onWall,
  columns,
  takeUp,
}: {
  card: Card;
  name: string;
  current: boolean;
  /** Taken out of its pile: not agreed to with the rest. */
  isOut: boolean;
  onWall: boolean;
  columns: number;
  takeUp: (key: Key) => void;
}) {
  const key = keyOf(card);
  const about = DIMENSIONS.map(
    (one) => `${one.name.toLowerCase()} ${VERDICT_NAMES[card[one.key]]}`,
  ).join(", ");
  const why = card.why.map((one) => WHY[one]);
  const marks = [
    ...(card.chosen ? [SIGNS.chosen] : []),
    ...(card.best ? [SIGNS.best] : []),
    ...(onWall ? [SIGNS.wall] : []),
  ];
  // Its ink is drawn as soon as there is time for it: scrolling does not wait.
  const thing = useDeferredValue(useThing(key).data);
  const say = thing?.kind === "text" ? thing.text.say : (thing?.attempt.say ?? "");
  return (
    <button
      type="button"
      id={`card-${key.replace(" ", "-")}`}
      aria-pressed={current}
      data-judged={card.judged || undefined}
      data-out={isOut || undefined}
      onClick={() => {
        takeUp(key);
      }}
      style={{ gridColumn: `span ${columns}` }}
      className="relative flex h-full w-full flex-col rounded-lg border-2 border-crease bg-leaf p-1.5 text-left hover:border-rule-deep aria-pressed:border-ink aria-pressed:bg-rule-wash data-out:border-dashed data-out:border-ember"
    >
      <span className="sr-only">{`${card.target} by ${name}: ${about}. ${[...why, ...marks].join(", ")} ${say}`}</span>
      <span aria-hidden className="flex h-[7.4rem] w-full shrink-0">
        <TileInk thing={thing} label={`${card.target} by ${name}`} />
      </span>
      <span aria-hidden className="flex items-center justify-between gap-1 text-base">
        <span className="truncate font-medium">{name}</span>
        <span className="flex shrink-0">
          {DIMENSIONS.map((one) => (
            <VerdictMark key={one.key} verdict={card[one.key]} label={one.name} />
          ))}
        </span>
      </span>
      <span aria-hidden className="flex h-5 items-center gap-1.5 text-xs text-soft">
        <span className="truncate">{stateOf(card, isOut) ?? why[0] ?? ""}</span>
        <span className="ml-auto flex shrink-0 gap-1">
          {onWall ? <Sign name={SIGNS.wall} Icon={Pin} className="text-ember" /> : null}
          {card.best ? <Sign name={SIGNS.best} Icon={Ruler} className="text-rule-deep" /> : null}
          {card.chosen ? <Sign name={SIGNS.chosen} Icon={Star} className="text-honey" /> : null}
        </span>
      </span>
    </button>
  );
});

const SIGNS = {
  wall: "for the wall",
  best: "the best by its measures",
  chosen: "the child’s own choice",
};

function Sign({ name, Icon, className }: { name: string; Icon: typeof Star; className: string }) {
  return (
    <span title={name}>
      <Icon size={15} className={className} />
    </span>
  );
}

function stateOf(card: Card, isOut: boolean): string | undefined {
  if (card.set_aside) return "set aside";
  if (card.judged) return card.overruled ? "you see it otherwise" : "you agreed";
  return isOut ? "taken out" : undefined;
}

const TileInk = memo(function TileInk({
  thing,
  label,
}: {
  thing: Thing | undefined;
  label: string;
}) {
  const lines = useClassroom().data?.lines ?? [];
  if (!thing) return <span className="h-full w-full rounded bg-paper" />;
  if (thing.kind === "text") {
    return <TextInk text={thing.text} lines={lines} label={label} className="h-full w-full" />;
  }
  return <LetterInk attempt={thing.attempt} label={label} className="h-full w-full" />;
});

/** A letter over its model, as small or large as it is asked for; of what an eye saw there is none. */
export function LetterInk({
  attempt,
  label,
  className,
}: {
  attempt: Attempt;
  label: string;
  className: string;
}) {
  const letter = useLetter(attempt.letter);
  if (attempt.source === "eye") {
    return (
      <span
        className={`flex flex-col items-center justify-center gap-1 text-sm text-soft ${className}`}
      >
        <Eye aria-hidden size={28} />
        seen by eye
      </span>
    );
  }
  if (!letter.data) return <span className={`block ${className}`} />;
  return (
    <InkOverModel attempt={attempt} letter={letter.data} label={label} className={className} />
  );
}
