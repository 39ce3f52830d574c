/** The piles on the table: only what is in sight is drawn, however much lies there. */
import { useVirtualizer } from "@tanstack/react-virtual";
import { Check } from "lucide-react";
import { type RefObject, useEffect, useMemo, useRef } from "react";

import type { CardOut as Card } from "../api/schema";
import { type Key, keyOf } from "../api/tableQueries";
import { Button } from "../ui/Button";
import { Hers } from "../ui/Hers";
import { useSize } from "../ink/useSize";
import { agreedWith, AT_ONCE, type Desk, type Pile } from "./desk";
import { Tile } from "./Tile";

/** px: how wide a letter's tile is at the least; heights of a row and of a pile's name. */
const LETTER_PX = 148;
const ROW_PX = 194;
const NAME_PX = 60;
const GAP_PX = 10;

interface Row {
  pile: Pile;
  /** None: the row is the name of its pile. */
  cards?: readonly Card[];
}

export function Piles({
  piles,
  desk,
  names,
  takeUp,
  agreeToPile,
}: {
  piles: readonly Pile[];
  desk: Desk;
  names: ReadonlyMap<number, string>;
  takeUp: (key: Key) => void;
  agreeToPile: (pile: Pile) => void;
}) {
  const box = useRef<HTMLDivElement>(null);
  const width = useSize(box).width || 800;
  const rows = useMemo(() => rowsOf(piles, width), [piles, width]);
  const list = useRows(box, rows);
  useInSight(rows, desk.current, list.scrollToIndex);
  return (
    <div
      ref={box}
      className="relative min-h-0 flex-1 overflow-y-auto overscroll-contain pr-1 max-lg:h-[60dvh] max-lg:flex-none"
    >
      <ul className="relative" style={{ height: list.getTotalSize() }} aria-label="Piles">
        {list.getVirtualItems().map(({ index, start, size }) => {
          const row = rows[index];
          if (!row) return null;
          return (
            <li
              key={index}
              className="absolute inset-x-0 contain-layout contain-size"
              style={{ transform: `translateY(${start}px)`, height: size }}
            >
              {row.cards ? (
                <div
                  className="grid h-full gap-2.5 pb-2.5"
                  style={{
                    gridTemplateColumns: `repeat(${perRow(width)}, minmax(0, 1fr))`,
                  }}
                >
                  {row.cards.map((card) => (
                    <Tile
                      key={keyOf(card)}
                      columns={columnsOf(card, perRow(width))}
                      card={card}
                      name={names.get(card.pupil_id) ?? "a child who has left"}
                      current={keyOf(card) === desk.current}
                      isOut={desk.out.has(keyOf(card))}
                      onWall={desk.wall.has(keyOf(card))}
                      takeUp={takeUp}
                    />
                  ))}
                </div>
              ) : (
                <PileName pile={row.pile} desk={desk} agree={agreeToPile} />
              )}
            </li>
          );
        })}
      </ul>
    </div>
  );
}

function PileName({ pile, desk, agree }: { pile: Pile; desk: Desk; agree: (pile: Pile) => void }) {
  const open = agreedWith(pile, desk.out).length;
  return (
    <div className="flex h-full items-end gap-3 pb-2">
      <h2 className="text-lg font-bold">
        {pile.name} <span className="font-normal text-soft">{pile.cards.length}</span>
      </h2>
      {pile.key !== "first" && open > 0 ? (
        <Hers told={false}>
          <Button
            small
            onClick={() => {
              agree(pile);
            }}
          >
            <Check aria-hidden size={18} />
            {open === 1 ? "Agree" : `Agree to ${open < AT_ONCE ? "all" : "the first"} ${open}`}
          </Button>
        </Hers>
      ) : null}
    </div>
  );
}

/** The list of rows in their box. */
function useRows(box: RefObject<HTMLDivElement | null>, rows: readonly Row[]) {
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing is compiled here
  return useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: (at) => (rows[at]?.cards ? ROW_PX : NAME_PX),
    overscan: 3,
    initialRect: { width: 800, height: 800 },
  });
}

/** What is taken up is brought into sight. */
function useInSight(
  rows: readonly Row[],
  current: Key | undefined,
  scrollTo: (index: number) => void,
) {
  const index = rows.findIndex(({ cards }) => cards?.some((card) => keyOf(card) === current));
  useEffect(() => {
    if (index >= 0) scrollTo(index);
  }, [index, scrollTo]);
}

function perRow(width: number): number {
  return Math.max(1, Math.floor((width + GAP_PX) / (LETTER_PX + GAP_PX)));
}

/** What is longer than a letter is as wide as two, and a sentence as three. */
function columnsOf(card: Card, most: number): number {
  return Math.min(most, card.text_id === null ? 1 : card.target.length > 12 ? 3 : 2);
}

function rowsOf(piles: readonly Pile[], width: number): Row[] {
  const most = perRow(width);
  return piles.flatMap((pile) => {
    const rows: Row[] = [{ pile }];
    let row: Card[] = [];
    let filled = most;
    for (const card of pile.cards) {
      const columns = columnsOf(card, most);
      if (filled + columns > most) {
        row = [];
        filled = 0;
        rows.push({ pile, cards: row });
      }
      row.push(card);
      filled += columns;
    }
    return rows;
  });
}
