/** A letter of a family: drawn, with its number in the order and marks for what is to be known. */
import { useDraggable, useDroppable } from "@dnd-kit/core";
import type { KeyboardEvent } from "react";

import type { StepOut as Step } from "../../api/schema";
import { SmallLetter } from "../../ui/SmallLetter";

export function LetterTile({
  letter,
  step,
  number,
  exception,
  faulty,
  movable,
  selected,
  onSelect,
  onKeyDown,
}: {
  letter: string;
  step: Step | undefined;
  number: number;
  exception: string | undefined;
  faulty: boolean;
  movable: boolean;
  selected: boolean;
  onSelect: (letter: string) => void;
  onKeyDown: (event: KeyboardEvent, letter: string) => void;
}) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: letter, disabled: !movable });
  const { setNodeRef: setPlaceRef, isOver } = useDroppable({ id: `before ${letter}` });
  const close = step?.too_close ?? [];
  const about = [
    ...(exception ? [exception] : []),
    ...close.map((one) => `${one.lessons} after ${one.letter}, which is easily confused with it`),
  ];
  return (
    <li ref={setPlaceRef}>
      <button
        ref={setNodeRef}
        {...listeners}
        type="button"
        data-letter={letter}
        aria-label={[letter, ...about].join("; ")}
        aria-pressed={selected}
        title={about.join("\n") || undefined}
        tabIndex={selected ? 0 : -1}
        onClick={() => {
          onSelect(letter);
        }}
        onKeyDown={(event) => {
          onKeyDown(event, letter);
        }}
        className={`relative flex h-16 w-17 touch-none items-center justify-end pr-1.5 overflow-hidden rounded-md border-2 bg-leaf hover:border-rule-deep aria-pressed:border-ink aria-pressed:bg-rule-wash ${faulty ? "border-ember" : "border-crease"} ${isOver ? "border-l-8 border-l-ember" : ""} ${isDragging ? "opacity-35" : ""}`}
      >
        <span
          aria-hidden
          data-number={number || ""}
          className="absolute top-0 left-1 text-xs text-soft before:content-[attr(data-number)]"
        />
        <SmallLetter letter={letter} className="h-14" />
        {exception ? (
          <svg
            aria-hidden
            viewBox="0 0 12 12"
            className="absolute right-1 bottom-1 size-3 stroke-ember"
            fill="none"
            strokeWidth="2"
          >
            <path d="M1 4H11M1 8H11M8.5 1L3.5 11" />
          </svg>
        ) : null}
        {close.length ? (
          <span
            aria-hidden
            data-close={close.map((one) => one.letter).join("")}
            className="absolute top-0 right-1 text-xs font-bold text-honey before:content-[attr(data-close)]"
          />
        ) : null}
      </button>
    </li>
  );
}
