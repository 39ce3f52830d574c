/** The pad for what is longer than a letter: the class's lines in one row or more. */
import type { RulingLine as Line } from "../api/schema";
import { useCapture } from "../ink/capture";
import { type Ruled, rowHeight } from "../ink/padGeometry";
import { PenLine } from "../ink/PenLine";
import { RuledLines } from "../ink/RuledLines";
import type { usePad } from "../ink/usePad";

const INK_WIDTH = 0.075;

export function LongPad({
  label,
  lines,
  rows,
  surface,
  size,
  ruled,
  pad,
}: {
  label: string;
  lines: readonly Line[];
  rows: number;
  surface: React.RefObject<HTMLDivElement | null>;
  size: { width: number; height: number };
  ruled: Ruled;
  pad: ReturnType<typeof usePad>;
}) {
  useCapture(surface, { onBegin: pad.begin, onMove: pad.extend, onEnd: pad.end });
  const right = size.width / Math.max(ruled.unit_px, 1);
  return (
    <div
      ref={surface}
      role="application"
      aria-label={label}
      className="absolute inset-0 cursor-crosshair touch-none select-none"
    >
      {size.height > 0 ? (
        <svg
          className="pointer-events-none absolute inset-0 h-full w-full"
          viewBox={`0 ${-ruled.base_px / ruled.unit_px} ${right} ${size.height / ruled.unit_px}`}
        >
          {Array.from({ length: rows }, (_, row) => (
            <g key={row} transform={`translate(0 ${row * rowHeight(lines)})`}>
              <RuledLines lines={lines} />
            </g>
          ))}
          {pad.strokes.map((stroke, at) => (
            <PenLine key={at} points={stroke.points} width={INK_WIDTH} />
          ))}
        </svg>
      ) : null}
    </div>
  );
}
