/** Big first: the letter is traced with a finger; what is traced fades, and is handed in nowhere. */
import { ChevronRight } from "lucide-react";
import { useEffect, useRef, useState } from "react";

import type { InkStroke, PadTaskOut } from "../api/schema";
import { InkCanvas } from "../ink/InkCanvas";
import { useSize } from "../ink/useSize";
import { Model } from "./Model";
import { PadButton } from "./PadButton";

const FADES_MS = 1500;
const FINGER = "#7fb0ab";
const FRAME = { unit: 220, left: 0, base: 0 };

export function AirPage({ task, replays }: { task: PadTaskOut; replays: number }) {
  const words = task.model?.words ?? [];
  const [at, setAt] = useState(0);
  const [strokes, setStrokes] = useState<InkStroke[]>([]);
  const surface = useRef<HTMLDivElement>(null);
  const size = useSize(surface);
  const letter = words[at % Math.max(1, words.length)];
  useEffect(() => {
    if (strokes.length === 0) return;
    const fades = setTimeout(() => {
      setStrokes([]);
    }, FADES_MS);
    return () => {
      clearTimeout(fades);
    };
  }, [strokes]);
  if (!letter) return null;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3 p-3">
      <div ref={surface} className="relative min-h-0 flex-1">
        <Model letter={letter} replays={replays + 1 + at} className="absolute inset-0" />
        {size.height > 0 ? (
          <InkCanvas
            label={`Trace ${letter.letter} in the air`}
            frame={FRAME}
            size={size}
            strokes={strokes}
            colour={FINGER}
            onStroke={(stroke) => {
              setStrokes((before) => [...before, stroke]);
            }}
          />
        ) : null}
      </div>
      <footer className="flex h-16 items-center justify-end">
        <PadButton
          name={words.length > 1 ? "The next letter" : "See it again"}
          onClick={() => {
            setAt(at + 1);
          }}
        >
          <ChevronRight aria-hidden size={34} />
        </PadButton>
      </footer>
    </div>
  );
}
