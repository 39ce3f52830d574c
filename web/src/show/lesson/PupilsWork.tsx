/**
 * Steps in which the children work: what is meant is shown, large, on the class's lines (the row they
 * are to write, a ringed letter, a starting dot, the sheet), and under it what to do, in few words.
 */
import type { LetterDrawing as Letter, StopOut as Stop } from "../../api/schema";
import { boxOf, isSquared, lineAt, squaresFor, type Box } from "../../ink/geometry";
import { PenLine } from "../../ink/PenLine";
import { ringOf } from "../../ink/ring";
import { RuledLines } from "../../ink/RuledLines";
import { StartDot } from "../../ink/StartDot";
import { DrawnPart } from "./DrawnPart";
import { OneOf } from "./OneOf";

type Kind = "own" | "best" | "close" | "home";

export function PupilsWork({ stop }: { stop: Stop }) {
  const kind = stop.kind as Kind;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-4">
      <OneOf parts={stop.about}>
        {(part) => (
          <DrawnPart part={part}>
            {(drawing) => <Lines rows={ROWS[kind]} letter={drawing} label={stop.title} />}
          </DrawnPart>
        )}
      </OneOf>
      <ol className="mx-auto grid w-full max-w-[110rem] auto-cols-fr gap-x-10 gap-y-2 lg:grid-flow-col">
        {stop.told.map((told, at) => (
          <li
            key={told}
            className="flex items-baseline justify-center gap-3 text-2xl leading-tight big:text-[2.75rem]"
          >
            <span className="text-[0.7em] font-bold text-rule-deep">{at + 1}</span>
            {told}
          </li>
        ))}
      </ol>
    </div>
  );
}

/** One letter of a row: how it is helped or made, and what is drawn on it. */
interface Cell {
  help: "trace" | "finish" | "own" | "written";
  /** A written letter is a little larger or smaller, and leans, in degrees. */
  size?: number;
  lean?: number;
  mark?: "ring" | "strike";
}

const written = (size: number, lean: number, mark?: Cell["mark"]): Cell => ({
  help: "written",
  size,
  lean,
  ...(mark ? { mark } : {}),
});

const times = (count: number, help: Cell["help"]): Cell[] =>
  Array.from({ length: count }, () => ({ help }));

const ROWS: Record<Kind, Cell[][]> = {
  own: [
    [
      { help: "trace" },
      { help: "trace" },
      { help: "finish" },
      { help: "finish" },
      written(1, 0),
      written(1.3, 14, "strike"),
      written(1, 2),
    ],
  ],
  best: [
    [
      written(1.12, -5),
      written(0.9, 8),
      written(1, 0, "ring"),
      written(1.05, 12),
      written(0.88, -6),
    ],
  ],
  close: [[{ help: "own" }]],
  home: [times(7, "trace"), times(7, "finish"), times(1, "own")],
};

/** u between letters, at the ends of a row, and from a line to the edge. */
const GAP = 0.9;
const NARROWEST = 0.7;
const MARGIN = 1.2;
const ROOM = 0.25;

function Lines({ rows, letter, label }: { rows: Cell[][]; letter: Letter; label: string }) {
  const box = boxOf(letter.strokes.flat().map(({ points }) => points));
  const squares = isSquared(letter.lines) ? squaresFor(box.right - box.left) : null;
  const gap = squares ? 1 : GAP; // on squares the next one stays free
  const step = (squares ?? Math.max(NARROWEST, box.right - box.left)) + gap;
  const within = squares ? (squares - (box.right - box.left)) / 2 : 0;
  const longest = Math.max(4, ...rows.map((row) => row.length));
  const margin = squares ? 1 : MARGIN;
  const width = longest * step - gap + 2 * margin;
  const top = Math.max(lineAt(letter.lines, "top"), box.top) + ROOM;
  const height = top - Math.min(lineAt(letter.lines, "drop"), box.bottom) + ROOM;
  return (
    <svg
      viewBox={`0 ${String(-top)} ${String(width)} ${String(height * rows.length)}`}
      role="img"
      aria-label={`${label}: ${letter.letter}`}
      className="min-h-0 w-full flex-1 rounded-lg border-2 border-crease bg-leaf"
    >
      {rows.map((row, at) => (
        <g key={at} transform={`translate(0 ${String(at * height)})`}>
          <RuledLines lines={letter.lines} />
          {row.map((cell, place) => {
            // One row stands in the middle; of a sheet all begin at the left.
            const middle = (width - (row.length * step - gap)) / 2;
            const left = rows.length > 1 ? margin : squares ? Math.floor(middle) : middle;
            const at = left + place * step + within - box.left;
            return (
              <g key={place} transform={`translate(${String(at)} 0)`}>
                <CellInk cell={cell} letter={letter} box={box} />
              </g>
            );
          })}
        </g>
      ))}
    </svg>
  );
}

function CellInk({ cell, letter, box }: { cell: Cell; letter: Letter; box: Box }) {
  const { size = 1, lean = 0, mark } = cell;
  const moves = letter.strokes.flat();
  const drawn = cell.help === "trace" ? moves.filter(({ kind }) => kind !== "back") : moves;
  const [cx, cy] = [(box.left + box.right) / 2, (box.bottom + box.top) / 2];
  const [rx, ry] = [(box.right - box.left) / 2 + 0.3, (box.top - box.bottom) / 2 + 0.22];
  return (
    <>
      <g transform={`scale(${String(size)}) skewX(${String(-lean)})`}>
        {cell.help !== "finish" &&
          drawn.map(({ points }, at) => (
            <PenLine
              key={at}
              points={points}
              width={cell.help === "trace" ? 0.07 : 0.1}
              dotted={cell.help === "trace"}
              {...(cell.help === "trace" ? { className: "stroke-rule-deep" } : {})}
            />
          ))}
      </g>
      {cell.help !== "written" &&
        letter.strokes.map(([first], at) =>
          first && !(first.kind === "dot" && cell.help === "own") ? (
            <StartDot key={at} points={first.points} r={0.12} />
          ) : null,
        )}
      {mark === "ring" && (
        <path
          d={ringOf(cx, cy, rx, ry)}
          className="fill-none stroke-rule-deep"
          strokeWidth={0.07}
          strokeLinecap="round"
        />
      )}
      {mark === "strike" && (
        <path
          d={`M${String(cx - rx)} ${String(-cy + ry * 0.7)}L${String(cx + rx)} ${String(-cy - ry * 0.7)}`}
          className="fill-none stroke-ink"
          strokeWidth={0.07}
          strokeLinecap="round"
        />
      )}
    </>
  );
}
