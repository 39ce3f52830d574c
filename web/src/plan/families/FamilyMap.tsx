/** One scheme laid out to be looked at and, if it is the teacher's own, to be rearranged. */
import {
  DndContext,
  type DragEndEvent,
  DragOverlay,
  MeasuringStrategy,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { Plus, Redo2, Undo2 } from "lucide-react";
import { type KeyboardEvent, useEffect, useRef, useState } from "react";

import type { SchemeOut as Scheme } from "../../api/schema";
import { useSplitFamily } from "../../api/schemeQueries";
import { Button } from "../../ui/Button";
import { SmallLetter } from "../../ui/SmallLetter";
import { ProblemNote } from "../../ui/states";
import { useShortcuts } from "../../ui/useShortcuts";
import { FamilyRow } from "./FamilyRow";
import { LooseLetters } from "./LooseLetters";
import { OrderPanel } from "./OrderPanel";
import {
  changeFamily,
  moveFamily,
  moveLetter,
  replaceFamily,
  spotOf,
  stepLetter,
} from "./rearrange";
import { useArrangement } from "./useArrangement";

/** After whatever letters there are. */
const LAST = Number.MAX_SAFE_INTEGER;

/** Pixels a finger or pen may tremble before a press becomes a drag. */
const TREMBLE = 6;

export function FamilyMap({ scheme }: { scheme: Scheme }) {
  const arrangement = useArrangement(scheme);
  const { families, change, undo, redo } = arrangement;
  const split = useSplitFamily();
  const [selected, setSelected] = useState<string>();
  const [dragged, setDragged] = useState<string>();
  const map = useRef<HTMLDivElement>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: TREMBLE } }),
  );
  useShortcuts({ u: () => undo?.(), y: () => redo?.() });
  // A letter that has moved to another line is drawn anew there: the keyboard goes with it.
  useEffect(() => {
    if (selected) tileOf(map.current, selected)?.focus();
  }, [selected, families]);

  const set = (moved: typeof families) => {
    change({ families: moved });
  };
  const drop = ({ active, over }: DragEndEvent) => {
    setDragged(undefined);
    if (!over) return;
    const letter = String(active.id);
    setSelected(letter);
    const [kind, name] = String(over.id).split(" ");
    if (kind === "loose") set(moveLetter(families, letter, null));
    if (kind === "family") set(moveLetter(families, letter, { family: Number(name), place: LAST }));
    if (kind === "before" && name) {
      const spot = spotOf(families, name);
      if (spot && name !== letter) set(moveLetter(families, letter, spot));
    }
  };
  const onKeyDown = (event: KeyboardEvent, letter: string) => {
    const step = STEPS[event.key];
    const away = event.key === "Delete" || event.key === "Backspace";
    if (!step && !away) return;
    event.preventDefault();
    event.stopPropagation();
    if (away) {
      if (scheme.own) set(moveLetter(families, letter, null));
    } else if (event.shiftKey && scheme.own) {
      set(stepLetter(families, letter, step ?? {}));
      setSelected(letter);
    } else {
      setSelected(neighbour(families, letter, step ?? {}));
    }
  };

  return (
    <DndContext
      sensors={sensors}
      // What the last change brought may arrive, and move the lines, while the next letter is held.
      measuring={{ droppable: { strategy: MeasuringStrategy.Always } }}
      onDragStart={({ active }) => {
        setDragged(String(active.id));
      }}
      onDragEnd={drop}
      onDragCancel={() => {
        setDragged(undefined);
      }}
    >
      <div className="flex min-h-0 flex-1 gap-5 max-lg:flex-col">
        <div ref={map} className="flex min-w-0 flex-1 flex-col">
          {scheme.own ? (
            <div className="flex flex-wrap items-center gap-2 pb-1">
              <Button
                onClick={() => {
                  set([...families, { name: "New family", why: "", letters: [], exceptions: {} }]);
                }}
              >
                <Plus aria-hidden size={18} /> Family
              </Button>
              <Button disabled={!undo} onClick={undo}>
                <Undo2 aria-hidden size={18} /> Undo
              </Button>
              <Button disabled={!redo} onClick={redo}>
                <Redo2 aria-hidden size={18} /> Redo
              </Button>
              <p className="text-sm text-soft">
                Drag a letter, or ⇧ and arrows · Delete puts it aside · U undo · Y redo
              </p>
            </div>
          ) : null}
          <ol aria-label={`Families: ${scheme.name}`} className="flex flex-col">
            {families.map((family, at) => (
              <FamilyRow
                key={at}
                at={at}
                family={family}
                scheme={scheme}
                selected={selected ?? families[0]?.letters[0]}
                onSelect={setSelected}
                onKeyDown={onKeyDown}
                onChange={(part) => {
                  set(changeFamily(families, at, part));
                }}
                onMove={(by) => {
                  set(moveFamily(families, at, by));
                }}
                onSplit={() => {
                  split.mutate(
                    { params: { path: { key: scheme.key } }, body: { family: at } },
                    {
                      onSuccess: (parts) => {
                        set(replaceFamily(families, at, parts));
                      },
                    },
                  );
                }}
                onRemove={() => {
                  set(replaceFamily(families, at, []));
                }}
              />
            ))}
          </ol>
          {scheme.own ? (
            <>
              <LooseLetters
                letters={scheme.missing}
                unfinished={scheme.faults.filter(({ family }) => family === null).length}
                selected={selected}
                onSelect={setSelected}
                onPlace={(letter) => {
                  set(moveLetter(families, letter, { family: families.length - 1, place: LAST }));
                  setSelected(letter);
                }}
                canPlace={families.length > 0}
              />
            </>
          ) : (
            <p className="py-2 text-sm text-soft">
              This scheme is computed from the hand and stays as it is. Copy it to rearrange it.
            </p>
          )}
          {(arrangement.error ?? split.error) ? (
            <ProblemNote error={arrangement.error ?? split.error} />
          ) : null}
        </div>
        <OrderPanel
          scheme={scheme}
          name={arrangement.name}
          families={families}
          selected={selected}
          onRename={(name) => {
            change({ name });
          }}
          onFamilies={set}
        />
      </div>
      <DragOverlay dropAnimation={null}>
        {dragged ? (
          <div className="rounded-md border-2 border-ember bg-leaf">
            <SmallLetter letter={dragged} className="h-14" />
          </div>
        ) : null}
      </DragOverlay>
    </DndContext>
  );
}

const STEPS: Record<string, { along?: number; down?: number }> = {
  ArrowLeft: { along: -1 },
  ArrowRight: { along: 1 },
  ArrowUp: { down: -1 },
  ArrowDown: { down: 1 },
};

function tileOf(map: HTMLElement | null, letter: string): HTMLElement | null | undefined {
  return map?.querySelector<HTMLElement>(`[data-letter="${letter}"]`);
}

/** The letter one step on from another; itself where there is none. */
function neighbour(
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
