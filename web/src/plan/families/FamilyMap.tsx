/** One scheme laid out to be looked at and, if it is the teacher's own, to be rearranged. */
import { DndContext, DragOverlay, MeasuringStrategy } from "@dnd-kit/core";
import { Plus, Redo2, Undo2 } from "lucide-react";
import { useRef } from "react";

import type { SchemeOut as Scheme } from "../../api/schema";
import { useSplitFamily } from "../../api/schemeQueries";
import { Button } from "../../ui/Button";
import { SmallLetter } from "../../ui/SmallLetter";
import { ProblemNote } from "../../ui/states";
import { useShortcuts } from "../../ui/useShortcuts";
import { FamilyRow } from "./FamilyRow";
import { LooseLetters } from "./LooseLetters";
import { OrderPanel } from "./OrderPanel";
import { changeFamily, LAST, moveFamily, moveLetter, replaceFamily } from "./rearrange";
import { useArrangement } from "./useArrangement";
import { useLetterInHand } from "./useLetterInHand";

export function FamilyMap({ scheme }: { scheme: Scheme }) {
  const arrangement = useArrangement(scheme);
  const { families, change, undo, redo } = arrangement;
  const split = useSplitFamily();
  const map = useRef<HTMLDivElement>(null);
  useShortcuts({ u: () => undo?.(), y: () => redo?.() });
  const set = (moved: typeof families) => {
    change({ families: moved });
  };
  const hand = useLetterInHand({ map, families, own: scheme.own, onFamilies: set });
  const { selected, select } = hand;

  return (
    <DndContext
      {...hand.drag}
      // What the last change brought may arrive, and move the lines, while the next letter is held.
      measuring={{ droppable: { strategy: MeasuringStrategy.Always } }}
    >
      <div className="flex min-h-0 flex-1 gap-5 max-lg:flex-col">
        <div ref={map} className="flex min-w-0 flex-1 flex-col">
          {scheme.own ? (
            <MapBar
              onFamily={() => {
                set([...families, { name: "New family", why: "", letters: [], exceptions: {} }]);
              }}
              undo={undo}
              redo={redo}
            />
          ) : null}
          <ol aria-label={`Families: ${scheme.name}`} className="flex flex-col">
            {families.map((family, at) => (
              <FamilyRow
                key={at}
                at={at}
                family={family}
                scheme={scheme}
                selected={selected ?? families[0]?.letters[0]}
                onSelect={select}
                onKeyDown={hand.onKeyDown}
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
                onSelect={select}
                onPlace={(letter) => {
                  set(moveLetter(families, letter, { family: families.length - 1, place: LAST }));
                  select(letter);
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
        {hand.dragged ? (
          <div className="rounded-md border-2 border-ember bg-leaf">
            <SmallLetter letter={hand.dragged} className="h-14" />
          </div>
        ) : null}
      </DragOverlay>
    </DndContext>
  );
}

/** What can be done to the whole map. */
function MapBar({
  onFamily,
  undo,
  redo,
}: {
  onFamily: () => void;
  undo: (() => void) | undefined;
  redo: (() => void) | undefined;
}) {
  return (
    <div className="flex flex-wrap items-center gap-2 pb-1">
      <Button onClick={onFamily}>
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
  );
}
