/**
 * Letters in cells, one each: dotted to be traced, with starting dots, or alone. The next cell is
 * begun where the last is done; one that went wrong is struck through and stays.
 */
import { useMemo } from "react";

import type { LetterDrawing as Letter, PadTaskOut, RulingLine as Line } from "../api/schema";
import type { Frame } from "../ink/brush";
import { boxOf } from "../ink/geometry";
import { InkCanvas } from "../ink/InkCanvas";
import { InkShape } from "../ink/InkShape";
import { RuledLines } from "../ink/RuledLines";
import { AskedWith } from "./AskedWith";
import { Helped } from "./Helped";
import { type Cells, cellAt, cellsFor, linesOf, placeOf } from "./layout";
import { Model } from "./Model";
import { EnoughSign, PadBar } from "./PadBar";
import { Sheet, type SheetSize } from "./Sheet";
import type { Written } from "./store";
import type { PadLesson } from "./usePadLesson";
import { type PageHook, usePage } from "./usePage";

/** u: of a letter without a model, written from memory. */
const USUAL_WIDTH = 1;

interface Props {
  task: PadTaskOut;
  pad: PadLesson;
  /** Leads on to lines that are written on freely, where all is written. */
  further: (() => void) | null;
}

export function CellsPage({ task, pad, further }: Props) {
  const page = usePage({ task, onKept: pad.kept });
  const letter = task.model?.words[0] ?? null;
  const leftHanded = task.handedness === "left";
  const onRight = task.model_on === "right";
  const enough = task.is_enough && page.strokes.length === 0;
  return (
    <>
      <div
        className={`flex min-h-0 flex-1 gap-3 px-3 portrait:flex-col ${onRight ? "landscape:flex-row-reverse" : ""}`}
      >
        <aside
          className={`flex shrink-0 items-center justify-center gap-4 landscape:w-52 portrait:h-40 ${onRight ? "portrait:flex-row-reverse portrait:justify-start" : "portrait:justify-start"}`}
        >
          {letter ? (
            <Model
              letter={letter}
              replays={pad.replays}
              again={pad.answer?.replay ?? null}
              className="landscape:h-72 landscape:w-full portrait:h-full portrait:w-44"
            />
          ) : null}
          <AskedWith asked={task.prompt} />
        </aside>
        <Sheet tilted={task.tilted} leftHanded={leftHanded}>
          {(sheet) => (
            <CellsSheet task={task} letter={letter} page={page} sheet={sheet} enough={enough} />
          )}
        </Sheet>
      </div>
      <PadBar task={task} page={page} pad={pad} enough={enough} further={further} />
    </>
  );
}

function CellsSheet({
  task,
  letter,
  page,
  sheet,
  enough,
}: {
  task: PadTaskOut;
  letter: Letter | null;
  page: PageHook;
  sheet: SheetSize;
  enough: boolean;
}) {
  const lines = useMemo(() => linesOf(task.ruling.lines), [task.ruling]);
  const box = useMemo(
    () => boxOf(letter?.strokes.flat().map(({ points }) => points) ?? []),
    [letter],
  );
  const width = letter ? box.right - box.left : USUAL_WIDTH;
  const struck = page.letters.filter(({ body }) => body.struck).length;
  // Where it is enough there is no next page.
  const active = enough ? Math.max(0, page.cell - 1) : page.cell;
  const cells = useMemo(
    () =>
      cellsFor(sheet, lines, width, {
        enough: task.enough === null ? null : task.enough + struck,
        active,
        timesAsHigh: task.times_as_high,
      }),
    [sheet, lines, width, task.enough, task.times_as_high, struck, active],
  );
  const frame = useMemo(() => frameOf(cells, page.cell), [cells, page.cell]);
  const taken = new Set(page.letters.map(({ cell }) => cell));
  return (
    <>
      <svg
        className="pointer-events-none absolute inset-0 h-full w-full"
        viewBox={`0 0 ${String(sheet.width)} ${String(sheet.height)}`}
        aria-hidden
      >
        {Array.from({ length: cells.rows }, (_, row) => (
          <Row key={row} cells={cells} row={row} lines={lines} />
        ))}
        {Array.from({ length: cells.count }, (_, at) => at + cells.first).map((cell) => (
          <Cell
            key={cell}
            cells={cells}
            cell={cell}
            active={cell === page.cell && !enough}
            help={taken.has(cell) || cell < page.cell ? null : task.help}
            letter={letter}
            centre={cells.own / 2 - (box.left + box.right) / 2}
          />
        ))}
        {page.letters.map((one) => (
          <Letters key={one.id} written={one} frame={frameOf(cells, one.cell)} cells={cells} />
        ))}
      </svg>
      <InkCanvas
        label={`Sheet for ${task.target ?? ""}`}
        frame={frame}
        size={sheet}
        tilt_deg={sheet.tilt_deg}
        strokes={page.strokes}
        onBegin={(x, y) => {
          const cell = cellAt(cells, x, y);
          if (cell === page.cell) return frame;
          if (taken.has(cell)) return null; // what is done is left as it is
          page.goTo(cell);
          return frameOf(cells, cell);
        }}
        onStroke={page.add}
      />
      {enough ? <EnoughSign /> : null}
    </>
  );
}

function frameOf(cells: Cells, cell: number): Frame {
  return { unit: cells.unit, ...placeOf(cells, cell) };
}

function Row({ cells, row, lines }: { cells: Cells; row: number; lines: readonly Line[] }) {
  const { base } = placeOf(cells, cells.first + row * cells.columns);
  return (
    <g transform={`translate(${String(cells.left)} ${String(base)}) scale(${String(cells.unit)})`}>
      <RuledLines lines={lines} />
    </g>
  );
}

function Cell({
  cells,
  cell,
  active,
  help,
  letter,
  centre,
}: {
  cells: Cells;
  cell: number;
  active: boolean;
  help: PadTaskOut["help"];
  letter: Letter | null;
  /** u: how far the letter is moved to stand in the middle. */
  centre: number;
}) {
  const { left, base } = placeOf(cells, cell);
  const { unit, width, height, drop } = cells;
  return (
    <g transform={`translate(${String(left)} ${String(base)}) scale(${String(unit)})`}>
      {active ? (
        <rect
          data-active-cell
          x={0.08}
          y={-drop + 0.12}
          width={width - 0.16}
          height={height - 0.24}
          rx={0.15}
          className="fill-rule-wash/60 stroke-rule"
          strokeWidth={0.03}
        />
      ) : null}
      <g transform={`translate(${String(centre)} 0)`}>
        {letter ? <Helped letter={letter} help={help} /> : null}
      </g>
    </g>
  );
}

/** A letter that is done; one that went wrong with a line through it. */
function Letters({ written, frame, cells }: { written: Written; frame: Frame; cells: Cells }) {
  const { strokes, struck } = written.body;
  const at = written.cell - cells.first;
  if (at < 0 || at >= cells.count) return null;
  const box = boxOf(strokes.map(({ points }) => points));
  const [x1, x2] = [box.left - 0.15, box.right + 0.15].map((x) => frame.left + x * frame.unit);
  const [y1, y2] = [box.bottom + 0.1, box.top - 0.1].map((y) => frame.base - y * frame.unit);
  return (
    <g>
      <InkShape strokes={strokes} frame={frame} className={struck ? "fill-soft" : "fill-ink"} />
      {struck ? (
        <line
          x1={x1}
          y1={y1}
          x2={x2}
          y2={y2}
          className="stroke-ink"
          strokeWidth={0.07 * frame.unit}
          strokeLinecap="round"
        />
      ) : null}
    </g>
  );
}
