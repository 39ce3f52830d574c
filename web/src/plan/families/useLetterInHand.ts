/** The letter that is chosen or dragged: with the pen, a finger, the mouse, or the arrow keys. */
import {
  type DragEndEvent,
  type DragStartEvent,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { type KeyboardEvent, type RefObject, useEffect, useState } from "react";

import type { FamilyIn } from "../../api/schema";
import { type Families, LAST, moveLetter, neighbour, spotOf, stepLetter } from "./rearrange";

/** Pixels a finger or pen may tremble before a press becomes a drag. */
const TREMBLE = 6;

const STEPS: Record<string, { along?: number; down?: number }> = {
  ArrowLeft: { along: -1 },
  ArrowRight: { along: 1 },
  ArrowUp: { down: -1 },
  ArrowDown: { down: 1 },
};

interface Props {
  map: RefObject<HTMLElement | null>;
  families: Families;
  /** Whether it is the teacher's own scheme, which she may rearrange. */
  own: boolean;
  onFamilies: (moved: FamilyIn[]) => void;
}

export function useLetterInHand({ map, families, own, onFamilies }: Props) {
  const [selected, setSelected] = useState<string>();
  const [dragged, setDragged] = useState<string>();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: TREMBLE } }),
  );
  // A letter that has moved to another line is drawn anew there: the keyboard goes with it.
  useEffect(() => {
    if (selected) tileOf(map.current, selected)?.focus();
  }, [map, selected, families]);

  const drop = ({ active, over }: DragEndEvent) => {
    setDragged(undefined);
    if (!over) return;
    const letter = String(active.id);
    setSelected(letter);
    const [kind, name] = String(over.id).split(" ");
    if (kind === "loose") onFamilies(moveLetter(families, letter, null));
    if (kind === "family")
      onFamilies(moveLetter(families, letter, { family: Number(name), place: LAST }));
    if (kind === "before" && name) {
      const spot = spotOf(families, name);
      if (spot && name !== letter) onFamilies(moveLetter(families, letter, spot));
    }
  };
  const onKeyDown = (event: KeyboardEvent, letter: string) => {
    const step = STEPS[event.key];
    const away = event.key === "Delete" || event.key === "Backspace";
    if (!step && !away) return;
    event.preventDefault();
    event.stopPropagation();
    if (away) {
      if (own) onFamilies(moveLetter(families, letter, null));
    } else if (event.shiftKey && own) {
      onFamilies(stepLetter(families, letter, step ?? {}));
      setSelected(letter);
    } else {
      setSelected(neighbour(families, letter, step ?? {}));
    }
  };

  return {
    selected,
    select: setSelected,
    dragged,
    drag: {
      sensors,
      onDragStart: ({ active }: DragStartEvent) => {
        setDragged(String(active.id));
      },
      onDragEnd: drop,
      onDragCancel: () => {
        setDragged(undefined);
      },
    },
    onKeyDown,
  };
}

function tileOf(map: HTMLElement | null, letter: string): HTMLElement | null | undefined {
  return map?.querySelector<HTMLElement>(`[data-letter="${letter}"]`);
}
