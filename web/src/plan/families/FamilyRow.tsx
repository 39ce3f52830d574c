/** One family: what its letters begin with, its name and reason, its letters, what they unlock. */
import { useDroppable } from "@dnd-kit/core";
import { ArrowDown, ArrowUp, Scissors, X } from "lucide-react";
import type { KeyboardEvent } from "react";

import type {
  FamilyOut as Family,
  FamilyIn,
  RulingLine as Line,
  SchemeOut as Scheme,
} from "../../api/schema";
import { useClassroom } from "../../api/queries";
import { boxOf, viewBoxOf, viewOf } from "../../ink/geometry";
import { PenLine } from "../../ink/PenLine";
import { RuledLines } from "../../ink/RuledLines";
import { EditableText } from "../../ui/EditableText";
import { Failed } from "../../ui/states";
import { Tool } from "../../ui/Tool";
import { LetterTile } from "./LetterTile";

export function FamilyRow({
  at,
  family,
  scheme,
  selected,
  onSelect,
  onKeyDown,
  onChange,
  onMove,
  onSplit,
  onRemove,
}: {
  at: number;
  family: FamilyIn;
  scheme: Scheme;
  selected: string | undefined;
  onSelect: (letter: string) => void;
  onKeyDown: (event: KeyboardEvent, letter: string) => void;
  onChange: (part: Partial<FamilyIn>) => void;
  onMove: (by: number) => void;
  onSplit: () => void;
  onRemove: () => void;
}) {
  const { setNodeRef, isOver } = useDroppable({ id: `family ${at}` });
  const classroom = useClassroom();
  const lines = classroom.data?.lines ?? [];
  const computed = scheme.families[at];
  const faults = scheme.faults.filter((fault) => fault.family === at);
  const steps = new Map(scheme.steps.map((step) => [step.letter, step]));
  const words = steps.get(family.letters.at(-1) ?? "")?.words;
  const { own } = scheme;
  return (
    <li
      ref={setNodeRef}
      aria-label={family.name}
      data-over={isOver || undefined}
      className="group flex items-center gap-x-3 gap-y-1 border-b border-rule py-1 data-over:bg-rule-wash max-md:flex-wrap"
    >
      <Failed of={[classroom]} />
      <Emblem opening={computed?.opening} lines={lines} />
      <div className="shrink-0 leading-tight max-md:min-w-0 max-md:flex-1 md:w-56">
        <EditableText
          label="Name of the family"
          value={family.name}
          disabled={!own}
          className="font-bold"
          onChange={(name) => {
            onChange({ name });
          }}
        />
        <EditableText
          label="Why they belong together"
          value={family.why}
          disabled={!own}
          placeholder="why they belong together"
          className="text-sm text-soft"
          mayBeEmpty
          onChange={(why) => {
            onChange({ why });
          }}
        />
      </div>
      <div className="min-w-0 flex-1 max-md:order-last max-md:basis-full">
        <ul aria-label={`Letters of ${family.name}`} className="flex flex-wrap gap-1.5">
          {family.letters.map((letter) => (
            <LetterTile
              key={letter}
              letter={letter}
              step={steps.get(letter)}
              number={scheme.steps.findIndex((step) => step.letter === letter) + 1}
              exception={family.exceptions[letter] ?? computed?.differs[letter]}
              faulty={faults.some((fault) => fault.letter === letter)}
              movable={own}
              selected={letter === selected}
              onSelect={onSelect}
              onKeyDown={onKeyDown}
            />
          ))}
        </ul>
        {faults.map(({ what, letter, wish }) => (
          <p
            key={what}
            className={`mt-1 flex items-center gap-2 text-sm ${wish ? "text-soft" : "font-medium text-ember"}`}
          >
            {what}
            {letter === null ? (
              <Tool name={`Split ${family.name}`} onClick={onSplit}>
                <Scissors aria-hidden size={16} /> Split it
              </Tool>
            ) : null}
          </p>
        ))}
      </div>
      {own ? (
        <div className="flex shrink-0">
          <Tool
            name={`${family.name} up`}
            onClick={() => {
              onMove(-1);
            }}
          >
            <ArrowUp aria-hidden size={18} />
          </Tool>
          <Tool
            name={`${family.name} down`}
            onClick={() => {
              onMove(1);
            }}
          >
            <ArrowDown aria-hidden size={18} />
          </Tool>
          <Tool name={`Remove ${family.name}`} onClick={onRemove}>
            <X aria-hidden size={18} />
          </Tool>
        </div>
      ) : null}
      <p className="w-20 shrink-0 text-right text-sm text-soft">
        {words === undefined ? null : (
          <>
            <span className="text-base font-medium text-ink">{words}</span> words
          </>
        )}
      </p>
    </li>
  );
}

/** The movement that the letters begin with, as a teacher would draw it beside the family. */
function Emblem({
  opening,
  lines,
}: {
  opening: Family["opening"] | undefined;
  lines: readonly Line[];
}) {
  const box = boxOf(opening?.strokes ?? []);
  const middle = (box.left + box.right) / 2;
  const view = viewOf(lines, { ...box, left: middle - 0.9, right: middle + 0.9 }, 0);
  return (
    <svg viewBox={viewBoxOf(view)} className="h-16 w-14 shrink-0" aria-hidden>
      <RuledLines lines={lines} />
      {opening?.strokes.map((points, at) => (
        <PenLine key={at} points={points} width={0.16} className="stroke-ember" />
      ))}
    </svg>
  );
}
