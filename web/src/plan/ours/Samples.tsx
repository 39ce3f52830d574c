/** What was written of a letter, each time by itself: what is wrong with one, and a way back. */
import { X } from "lucide-react";

import type { RulingLine as Line, SampleOut } from "../../api/schema";
import { boxOf, viewBoxOf, viewOf } from "../../ink/geometry";
import { PenLine } from "../../ink/PenLine";
import { RuledLines } from "../../ink/RuledLines";

export function Samples({
  letter,
  samples,
  lines,
  onTakeBack,
}: {
  letter: string;
  samples: readonly SampleOut[];
  lines: readonly Line[];
  onTakeBack: (id: number) => void;
}) {
  if (samples.length === 0) return null;
  const wrong = samples.filter(({ problem }) => problem);
  return (
    <div className="flex flex-col gap-1">
      <ul aria-label="Written so far" className="flex flex-wrap gap-1.5">
        {samples.map((sample, at) => (
          <li
            key={sample.id}
            className={`relative rounded-md border-2 bg-leaf ${sample.problem ? "border-dashed border-ember" : "border-crease"}`}
          >
            <Small sample={sample} lines={lines} />
            <button
              type="button"
              aria-label={`Take back ${letter} number ${String(at + 1)}`}
              onClick={() => {
                onTakeBack(sample.id);
              }}
              className="absolute -top-1.5 -right-1.5 inline-flex size-6 items-center justify-center rounded-full border-2 border-crease bg-leaf hover:border-ink"
            >
              <X aria-hidden size={12} />
            </button>
          </li>
        ))}
      </ul>
      {wrong.map(({ id, problem }) => (
        <p key={id} role="status" className="border-l-4 border-ember pl-2 text-sm">
          {problem?.say}
        </p>
      ))}
    </div>
  );
}

function Small({ sample, lines }: { sample: SampleOut; lines: readonly Line[] }) {
  const strokes = sample.strokes.map(({ points }) => points);
  return (
    <svg
      viewBox={viewBoxOf(viewOf(lines, boxOf(strokes), 0.3))}
      className={`h-14 w-auto ${sample.problem ? "opacity-50" : ""}`}
      aria-hidden
    >
      <RuledLines lines={lines} />
      {strokes.map((points, at) => (
        <PenLine key={at} points={points} width={0.09} />
      ))}
    </svg>
  );
}
