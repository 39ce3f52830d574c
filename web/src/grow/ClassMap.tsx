/** Children by letters, the letters in their families. By name, never by rank. */
import { memo, useRef, type KeyboardEvent } from "react";
import { Link } from "react-router";

import type { MapOut, MapRow } from "../api/schema";
import { SmallLetter } from "../ui/SmallLetter";
import { StateMark } from "./StateMark";
import { isUp, lettersOf, nameOf, type Place, type Shown, stateAt } from "./map";

export function ClassMap({
  map,
  shown,
  place,
  onPlace,
}: {
  map: MapOut;
  shown: Shown;
  place: Place | undefined;
  onPlace: (place: Place) => void;
}) {
  const region = useRef<HTMLDivElement>(null);
  const letters = lettersOf(map);
  const taught = new Set(map.taught);
  const begins = beginsOf(map);
  const at = place ?? { pupilId: map.rows[0]?.pupil.id ?? 0, at: 0 };

  function go(event: KeyboardEvent) {
    const step = STEPS[event.key];
    if (!step) return;
    event.preventDefault();
    const row = map.rows.findIndex(({ pupil }) => pupil.id === at.pupilId) + step[0];
    const column = Math.min(letters.length - 1, Math.max(0, at.at + step[1]));
    const pupil = map.rows[row]?.pupil;
    if (!pupil) return;
    onPlace({ pupilId: pupil.id, at: column });
    region.current
      ?.querySelector<HTMLElement>(`[data-place="${pupil.id} ${String(column)}"]`)
      ?.focus();
  }

  return (
    // A table of two dimensions may scroll by itself; the page may not.
    <div ref={region} className="relative overflow-x-auto">
      <table
        // eslint-disable-next-line jsx-a11y/no-noninteractive-element-to-interactive-role -- arrow keys go through it
        role="grid"
        aria-label="Children by letters"
        className="w-full min-w-[70rem] table-fixed border-collapse"
        onKeyDown={go}
      >
        <thead>
          <tr>
            <th scope="col" className="sticky left-0 z-1 w-28 bg-paper text-left align-bottom">
              <span className="sr-only">Child</span>
            </th>
            {letters.map((letter, column) => (
              <th
                key={letter}
                scope="col"
                title={familyAt(map, column)}
                className={`h-8 p-0 align-bottom ${begins.has(column) ? "border-l border-rule-pale" : ""} ${
                  taught.has(column) ? "" : "opacity-60"
                }`}
              >
                <span className="sr-only">{letter}</span>
                <SmallLetter letter={letter} className="mx-auto h-7 max-w-full" />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {map.rows.map((row) => (
            <Row
              key={row.pupil.id}
              row={row}
              letters={letters}
              shown={shown}
              isTight={map.rows.length > MANY}
              taught={map.taught}
              begins={begins}
              focus={row.pupil.id === at.pupilId ? at.at : undefined}
              isChosen={row.pupil.id === place?.pupilId}
              onPlace={onPlace}
            />
          ))}
        </tbody>
      </table>
    </div>
  );
}

const MANY = 20;
const STEPS: Record<string, [number, number] | undefined> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
  Home: [0, -99],
  End: [0, 99],
};

function beginsOf(map: MapOut): ReadonlySet<number> {
  let at = 0;
  return new Set(map.families.map(({ letters }) => (at += letters.length) - letters.length));
}

function familyAt(map: MapOut, column: number): string {
  let at = 0;
  return map.families.find(({ letters }) => column < (at += letters.length))?.name ?? "";
}

interface RowProps {
  row: MapRow;
  letters: readonly string[];
  shown: Shown;
  isTight: boolean;
  taught: readonly number[];
  begins: ReadonlySet<number>;
  /** The square of this row that is come to with the tab key. */
  focus: number | undefined;
  isChosen: boolean;
  onPlace: (place: Place) => void;
}

const Row = memo(function Row(props: RowProps) {
  const { row, letters, shown, isTight, begins, focus, isChosen, onPlace } = props;
  const taught = new Set(props.taught);
  const moved = new Map(row.moved.map((one) => [one.letter, isUp(one)]));
  return (
    <tr className={`border-b border-rule/40 hover:bg-rule-wash ${isTight ? "h-[19px]" : "h-8"}`}>
      <th
        scope="row"
        className={`sticky left-0 z-1 truncate bg-paper p-0 pr-2 text-left font-medium ${
          isTight ? "text-sm leading-none" : ""
        }`}
      >
        <Link
          to={`/grow/child/${String(row.pupil.id)}`}
          className="hover:underline"
          aria-label={`${row.pupil.name}’s page`}
        >
          {row.pupil.name}
        </Link>
      </th>
      {letters.map((letter, column) => {
        const state = stateAt(row, shown, column);
        const isUpward = moved.get(letter);
        return (
          <td
            key={letter}
            role="gridcell"
            tabIndex={focus === column ? 0 : -1}
            data-place={`${String(row.pupil.id)} ${String(column)}`}
            aria-label={`${row.pupil.name}, ${letter}: ${nameOf(state, shown)}`}
            aria-selected={isChosen && focus === column}
            onClick={() => {
              onPlace({ pupilId: row.pupil.id, at: column });
            }}
            onFocus={() => {
              onPlace({ pupilId: row.pupil.id, at: column });
            }}
            className={`relative cursor-pointer p-0 text-center outline-offset-[-2px] aria-selected:bg-rule-pale ${
              begins.has(column) ? "border-l border-rule-pale" : ""
            } ${taught.has(column) ? "" : "bg-crease/50"}`}
          >
            {row.written[column] ? (
              <span className="flex justify-center">
                <StateMark state={state} />
              </span>
            ) : null}
            {isUpward === undefined || shown === "words" ? null : <Corner isUp={isUpward} />}
          </td>
        );
      })}
    </tr>
  );
});

function Corner({ isUp: up }: { isUp: boolean }) {
  return (
    <svg
      viewBox="0 0 6 6"
      className={`absolute right-0 size-1.5 ${up ? "top-0" : "bottom-0"}`}
      aria-hidden
    >
      <path d={up ? "M0 0H6V6Z" : "M6 0V6H0Z"} className={up ? "fill-rule-deep" : "fill-ember"} />
    </svg>
  );
}
