/** The class's lines to write a letter on, as often as she likes. */
import { Check, Undo2 } from "lucide-react";
import { useRef } from "react";

import type { InkStroke, RulingLine as Line } from "../../api/schema";
import type { Frame } from "../../ink/brush";
import { InkCanvas } from "../../ink/InkCanvas";
import { ruledFor } from "../../ink/padGeometry";
import { RuledLines } from "../../ink/RuledLines";
import { useSize } from "../../ink/useSize";
import { Button } from "../../ui/Button";

const LEFT = 0.6;

export function WriteLetter({
  what,
  lines,
  strokes,
  onChange,
  onDone,
  busy,
}: {
  what: string;
  lines: readonly Line[];
  strokes: readonly InkStroke[];
  onChange: (strokes: InkStroke[]) => void;
  onDone: () => void;
  busy: boolean;
}) {
  const surface = useRef<HTMLDivElement>(null);
  const size = useSize(surface);
  const { unit_px, base_px } = ruledFor(lines, size.height);
  const frame: Frame = { unit: unit_px, left: LEFT * unit_px, base: base_px };
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2">
      <div
        ref={surface}
        className="relative min-h-48 flex-1 overflow-hidden rounded-lg border-2 border-crease bg-leaf"
      >
        {size.height > 0 ? (
          <>
            <svg
              aria-hidden
              className="pointer-events-none absolute inset-0 h-full w-full"
              viewBox={`${String(-LEFT)} ${String(-base_px / unit_px)} ${String(size.width / unit_px)} ${String(size.height / unit_px)}`}
            >
              <RuledLines lines={lines} />
            </svg>
            <InkCanvas
              label={`Write ${what}`}
              frame={frame}
              size={size}
              strokes={strokes}
              onStroke={(stroke) => {
                onChange([...strokes, stroke]);
              }}
            />
          </>
        ) : null}
      </div>
      <div className="flex items-center gap-2">
        <Button
          small
          disabled={strokes.length === 0}
          onClick={() => {
            onChange(strokes.slice(0, -1));
          }}
        >
          <Undo2 aria-hidden size={16} /> Take back a stroke
        </Button>
        <Button small disabled={strokes.length === 0 || busy} onClick={onDone}>
          <Check aria-hidden size={16} /> That is it
        </Button>
      </div>
    </div>
  );
}
