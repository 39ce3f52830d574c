/** A word, a sentence, a sequence, free writing: one long line, in rows where it is longer than the sheet. */
import { useMemo } from "react";

import type { PadTaskOut } from "../api/schema";
import type { Frame } from "../ink/brush";
import { boxOf, viewBoxOf, viewOf } from "../ink/geometry";
import { GapLine } from "../ink/GapLine";
import { InkCanvas } from "../ink/InkCanvas";
import { InkShape } from "../ink/InkShape";
import { unitFor } from "../ink/longLine";
import { rowHeight, ruledFor } from "../ink/padGeometry";
import { PenLine } from "../ink/PenLine";
import { RuledLines } from "../ink/RuledLines";
import { isGap, rowsOf, strokesOf } from "../ink/wordRows";
import { AskedWith } from "./AskedWith";
import { Helped } from "./Helped";
import { linesOf } from "./layout";
import { Model } from "./Model";
import { EnoughSign, PadBar } from "./PadBar";
import { Sheet, type SheetSize } from "./Sheet";
import type { PadLesson } from "./usePadLesson";
import { type PageHook, usePage } from "./usePage";

/** u: where a model's line is broken; where a dotted word begins. */
const MODEL_LINE = 16;
const LEFT = 0.5;

interface Props {
  task: PadTaskOut;
  pad: PadLesson;
  /** Leads on to lines that are written on freely, where all is written. */
  further: (() => void) | null;
}

export function LinePage({ task, pad, further }: Props) {
  const lines = useMemo(() => linesOf(task.ruling.lines), [task.ruling]);
  // What is written freely goes on for as long as there is room: larger lines are fewer.
  const rows =
    task.kind === "free" ? Math.max(1, Math.round(task.rows / task.times_as_high)) : task.rows;
  const page = usePage({ task, line: { lines, rows }, onKept: pad.kept });
  const leftHanded = task.handedness === "left";
  const enough = task.is_enough && page.strokes.length === 0;
  return (
    <>
      <div className="flex min-h-0 flex-1 flex-col gap-3 px-3">
        <AskedWith asked={task.prompt} />
        {task.model && task.help === "copy" ? <Above task={task} pad={pad} /> : null}
        <Sheet tilted={task.tilted} leftHanded={leftHanded}>
          {(sheet) => (
            <LineSheet task={task} page={page} sheet={sheet} rows={rows} enough={enough} />
          )}
        </Sheet>
      </div>
      <PadBar task={task} page={page} pad={pad} enough={enough} further={further} />
    </>
  );
}

/** What is copied, above the line: one word as it is made, more as they stand. */
function Above({ task, pad }: { task: PadTaskOut; pad: PadLesson }) {
  const words = task.model?.words ?? [];
  const [first] = words;
  const alone = words.length === 1 && first ? first : null;
  if (alone) return <Model letter={alone} replays={pad.replays} className="h-36 self-start" />;
  const lines = linesOf(task.ruling.lines);
  return (
    <div className="flex shrink-0 flex-col gap-1">
      {rowsOf([...words], MODEL_LINE).map((row, at) => {
        const all = strokesOf(row);
        const left = row.filter(({ letter }) => isGap(letter.letter, task.gap));
        const strokes = strokesOf(row.filter((one) => !left.includes(one)));
        const view = viewOf(lines, { ...boxOf(all), left: 0, right: MODEL_LINE }, 0.4);
        return (
          <svg
            key={at}
            viewBox={viewBoxOf(view)}
            role="img"
            aria-label={row.map((one) => (left.includes(one) ? "…" : one.letter.letter)).join(" ")}
            className="h-[max(4.5rem,13vh)] rounded-lg border-2 border-crease bg-leaf"
            preserveAspectRatio="xMinYMid meet"
          >
            <RuledLines lines={lines} />
            {strokes.map((points, stroke) => (
              <PenLine key={stroke} points={points} width={0.09} />
            ))}
            {left.map((one, gap) => (
              <GapLine key={gap} word={one} />
            ))}
          </svg>
        );
      })}
    </div>
  );
}

function LineSheet({
  task,
  page,
  sheet,
  rows,
  enough,
}: {
  task: PadTaskOut;
  page: PageHook;
  sheet: SheetSize;
  rows: number;
  enough: boolean;
}) {
  const lines = useMemo(() => linesOf(task.ruling.lines), [task.ruling]);
  const right = boxOf(page.strokes.map(({ points }) => points)).right;
  const frame = useMemo((): Frame => {
    const { unit_px, base_px } = ruledFor(lines, sheet.height, rows);
    const roomy = unitFor(task.target?.length ?? 0, rows, sheet.width);
    // A pad that is turned upright still holds all that was written across it.
    const written = sheet.width / (right + LEFT);
    const unit = Math.min(unit_px, roomy, right * unit_px > sheet.width ? written : unit_px);
    return { unit, left: 0, base: base_px * (unit / unit_px) };
    // Only where the sheet changes: not under the pen.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [lines, sheet, rows]);
  const { help, model } = task;
  const word = help === "trace" || help === "finish" ? model?.words[0] : undefined;
  const last = page.letters.at(-1);
  return (
    <>
      <svg className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden>
        <g transform={`translate(0 ${String(frame.base)}) scale(${String(frame.unit)})`}>
          {Array.from({ length: rows }, (_, row) => (
            <g key={row} transform={`translate(0 ${String(row * rowHeight(lines))})`}>
              <RuledLines lines={lines} />
            </g>
          ))}
          {word && !enough ? (
            <g transform={`translate(${String(LEFT)} 0)`}>
              <Helped letter={word} help={help} />
            </g>
          ) : null}
        </g>
        {enough && last ? (
          <InkShape strokes={last.body.strokes} frame={frame} className="fill-soft" />
        ) : null}
      </svg>
      <InkCanvas
        label={`Line for ${task.kind === "free" ? "what you want to say" : (task.target ?? "")}`}
        frame={frame}
        size={sheet}
        tilt_deg={sheet.tilt_deg}
        strokes={page.strokes}
        onStroke={page.add}
      />
      {enough ? <EnoughSign /> : null}
    </>
  );
}
