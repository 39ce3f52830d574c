/** The teacher writes on the board: the class's lines, a pen or a mouse; kept with the step. */
import { Eraser, Play, RotateCcw, Undo2 } from "lucide-react";
import { useEffect, useRef } from "react";

import type { BoardInk, RulingLine as Line, StepKind } from "../../api/schema";
import { useKeepWritten, useWritten } from "../../api/lessonQueries";
import { useClassroom } from "../../api/queries";
import { useCapture } from "../../ink/capture";
import { upTo } from "../../ink/geometry";
import { rowHeight, ruledFor } from "../../ink/padGeometry";
import { PenLine } from "../../ink/PenLine";
import { RuledLines } from "../../ink/RuledLines";
import { drawnShare, inkTimeline } from "../../ink/timeline";
import { inkOf, usePad } from "../../ink/usePad";
import { usePlayback } from "../../ink/usePlayback";
import { useSize } from "../../ink/useSize";
import { Button } from "../../ui/Button";
import { Loading, messageOf, ProblemNote } from "../../ui/states";
import { useShortcuts } from "../../ui/useShortcuts";

const PEN = 0.09;

interface Props {
  lesson: number;
  kind: StepKind;
  /** The letter that the step has come round to. */
  part: string | null;
  /** Rows of lines. */
  rows: number;
  /** What is to be written, for the teacher to see. */
  copy: string;
}

export function WriteHere(props: Props) {
  const written = useWritten(props.lesson, props);
  const classroom = useClassroom();
  const failed = [written, classroom].find(({ isError }) => isError);
  if (failed) return <ProblemNote error={failed.error} retry={() => void failed.refetch()} />;
  if (!written.data || !classroom.data) return <Loading what="the board" />;
  return <Desk {...props} lines={classroom.data.lines} begunWith={written.data} />;
}

function Desk({
  lesson,
  kind,
  part,
  rows,
  copy,
  lines,
  begunWith,
}: Props & { lines: readonly Line[]; begunWith: BoardInk }) {
  const surface = useRef<HTMLDivElement>(null);
  const size = useSize(surface);
  const ruled = ruledFor(lines, size.height, rows);
  const pad = usePad(ruled, begunWith.strokes);
  const keep = useKeepWritten(lesson, { kind, part });
  const timeline = inkTimeline(pad.strokes);
  const playback = usePlayback(timeline.total_s);
  useCapture(surface, { onBegin: pad.begin, onMove: pad.extend, onEnd: pad.end });
  const kept = useRef(begunWith.strokes);
  const { finished } = pad;
  const { mutate } = keep;
  useEffect(() => {
    if (finished === kept.current) return;
    kept.current = finished;
    mutate({
      params: { path: { lesson_id: lesson, kind } },
      body: { strokes: inkOf(finished) },
    });
  }, [finished, mutate, lesson, kind]);
  const undo = () => {
    if (pad.strokes.length > 0) pad.set(pad.strokes.slice(0, -1));
  };
  useShortcuts({ z: undo });
  const isEmpty = pad.strokes.length === 0;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3">
      <p className="text-lg text-soft">
        To write: <span className="font-medium text-ink">{copy}</span>
      </p>
      <div
        ref={surface}
        role="application"
        aria-label="Board to write on"
        className="relative min-h-0 flex-1 cursor-crosshair touch-none overflow-hidden rounded-lg border-2 border-crease bg-leaf select-none"
      >
        {size.height > 0 && (
          <svg
            className="pointer-events-none absolute inset-0 h-full w-full"
            viewBox={`0 ${String(-ruled.base_px / ruled.unit_px)} ${String(size.width / ruled.unit_px)} ${String(size.height / ruled.unit_px)}`}
          >
            {Array.from({ length: rows }, (_, row) => (
              <g key={row} transform={`translate(0 ${String(row * rowHeight(lines))})`}>
                <RuledLines lines={lines} />
              </g>
            ))}
            {timeline.pieces.map((piece, at) => {
              const share = playback.playing ? drawnShare(piece, playback.time_s) : 1;
              return share > 0 ? (
                <PenLine key={at} points={upTo(piece.points, share)} width={PEN} />
              ) : null;
            })}
          </svg>
        )}
      </div>
      <div className="flex flex-wrap items-center gap-2 pb-1">
        <Button onClick={undo} disabled={isEmpty}>
          <Undo2 aria-hidden size={18} /> Take back a stroke
        </Button>
        {isEmpty && pad.wiped.length > 0 ? (
          <Button
            onClick={() => {
              pad.set(pad.wiped);
            }}
          >
            <RotateCcw aria-hidden size={18} /> Bring it back
          </Button>
        ) : (
          <Button
            disabled={isEmpty}
            onClick={() => {
              pad.set([]);
            }}
          >
            <Eraser aria-hidden size={18} /> Wipe
          </Button>
        )}
        <Button onClick={playback.replay} disabled={isEmpty}>
          <Play aria-hidden size={18} /> See it written again
        </Button>
        {keep.isError && (
          <span role="alert" className="text-ember">
            Not kept: {messageOf(keep.error)}
          </span>
        )}
      </div>
    </div>
  );
}
