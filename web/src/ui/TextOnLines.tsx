/** Words on the class's lines, as the class writes them; a sentence with its words counted. */
import type { PlaceToWatch } from "../api/schema";
import { useText, usePlacesToWatch } from "../api/lessonQueries";
import { boxOf, viewBoxOf, viewOf } from "../ink/geometry";
import { GapLine } from "../ink/GapLine";
import { PenLine } from "../ink/PenLine";
import { RuledLines } from "../ink/RuledLines";
import { isGap, type Placed, rowsOf, strokesOf } from "../ink/wordRows";
import { Empty, Loading, ProblemNote } from "./states";

const PEN = 0.1;
const LONGEST_LINE = 17; // u: what is still read from the back of a room

export function TextOnLines({
  text,
  counted = false,
  otherHand = false,
  longest = LONGEST_LINE,
  watched = false,
  gap = "",
}: {
  text: string;
  /** A word that is left out: its place is a bar on the line. */
  gap?: string;
  counted?: boolean;
  otherHand?: boolean;
  /** u: where a line is broken. */
  longest?: number;
  /** Whether the places to watch of a single word are marked. */
  watched?: boolean;
}) {
  const words = useText(text, { otherHand });
  const asked = usePlacesToWatch(text, watched);
  const places = watched ? (asked.data ?? []) : []; // asked for before, it is still known
  if (text === "") return <Empty>There is nothing here to write yet.</Empty>;
  if (words.isPending) return <Loading what="the words" />;
  if (words.isError) return <ProblemNote error={words.error} />;
  const rows = rowsOf(words.data, longest);
  return (
    <div className="flex min-h-0 flex-1 flex-col justify-center gap-4">
      {rows.map((row, at) => (
        <Row key={at} row={row} gap={gap} wide={rows.length > 1 ? longest : null} places={places} />
      ))}
      {places.length > 0 ? (
        <ul
          aria-label="Places to watch"
          className="flex flex-wrap justify-center gap-x-8 text-xl big:text-[2rem]"
        >
          {places.map(({ words: said, box }) => (
            <li key={`${said} ${box[0]}`}>{said}</li>
          ))}
        </ul>
      ) : null}
      {counted && (
        <p className="text-center text-2xl text-soft">
          {words.data.length} {words.data.length === 1 ? "word" : "words"}
        </p>
      )}
    </div>
  );
}

/** One row; of several all are as wide as a line may be, so that their letters are of one size. */
function Row({
  row,
  gap,
  wide,
  places,
}: {
  row: Placed[];
  gap: string;
  wide: number | null;
  places: readonly PlaceToWatch[];
}) {
  const strokes = strokesOf(row.filter(({ letter }) => !isGap(letter.letter, gap)));
  const lines = row[0]?.letter.lines ?? [];
  const box = boxOf(strokesOf(row));
  const view = viewOf(lines, wide === null ? box : { ...box, left: 0, right: wide }, 0.8);
  return (
    <svg
      viewBox={viewBoxOf(view)}
      role="img"
      aria-label={row
        .map(({ letter }) => (isGap(letter.letter, gap) ? "…" : letter.letter))
        .join(" ")}
      className="min-h-0 w-full flex-1 rounded-lg border-2 border-crease bg-leaf"
    >
      <RuledLines lines={lines} />
      {strokes.map((points, at) => (
        <PenLine key={at} points={points} width={PEN} />
      ))}
      {row
        .filter(({ letter }) => isGap(letter.letter, gap))
        .map((one, at) => (
          <GapLine key={at} word={one} />
        ))}
      <g transform={`translate(${row[0]?.left ?? 0} 0)`}>
        {places.map((place, at) => (
          <WatchMark key={at} place={place} />
        ))}
      </g>
    </svg>
  );
}

/** u: how far off its letters a mark lies. */
const OFF = 0.22;

/** A bow over a join, a wave where the pen is lifted, a bar under doubles, an arrow by a tail. */
function WatchMark({ place: { kind, box } }: { place: PlaceToWatch }) {
  const [left, bottom, right, top] = box;
  const middle = (left + right) / 2;
  const over = -top - OFF;
  const under = -Math.min(bottom, 0) + OFF;
  const path = {
    join: `M${middle - 0.45} ${over}Q${middle} ${over - 0.4} ${middle + 0.45} ${over}`,
    lift: `M${middle - 0.12} ${over}v-.4M${middle + 0.12} ${over}v-.4`,
    double: `M${left} ${under}H${right}`,
    tail: `M${right + OFF} 0V${-bottom}m-.14 -.16l.14 .16 .14 -.16`,
  }[kind];
  return (
    <path
      d={path}
      data-watch={kind}
      className="fill-none stroke-ember"
      strokeWidth={0.065}
      strokeLinecap="round"
      strokeLinejoin="round"
    />
  );
}
