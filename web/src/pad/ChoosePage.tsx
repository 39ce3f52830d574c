/** The best one of one's own: a ring is drawn round it; another may be chosen. */
import type { OwnLetter, PadTaskOut } from "../api/schema";
import { boxOf, viewBoxOf, viewOf } from "../ink/geometry";
import { PenLine } from "../ink/PenLine";
import { RuledLines } from "../ink/RuledLines";
import { ringOf } from "../ink/ring";
import { linesOf } from "./layout";
import { Watch } from "./pictures";

const WIDTH = 0.08;

export function ChoosePage({
  task,
  onChoose,
}: {
  task: PadTaskOut;
  onChoose: (attempt: string) => void;
}) {
  if (task.choose.length === 0) {
    return (
      <div className="flex flex-1 items-center justify-center">
        <Watch />
      </div>
    );
  }
  return (
    <ul
      aria-label="Choose your best one"
      className="grid min-h-0 flex-1 auto-rows-[minmax(11rem,18rem)] grid-cols-[repeat(auto-fill,minmax(10.5rem,1fr))] content-center gap-4 overflow-y-auto p-5"
    >
      {task.choose.map((own, at) => (
        <li key={own.id} className="min-h-44">
          <button
            type="button"
            aria-pressed={own.best}
            aria-label={`${String(at + 1)}. ${own.target}`}
            onClick={() => {
              onChoose(own.id);
            }}
            className="h-full w-full rounded-lg border-2 border-crease bg-leaf p-2"
          >
            <Own own={own} task={task} />
          </button>
        </li>
      ))}
    </ul>
  );
}

function Own({ own, task }: { own: OwnLetter; task: PadTaskOut }) {
  const lines = linesOf(task.ruling.lines);
  const strokes = own.strokes.map(({ points }) => points);
  const box = boxOf(strokes);
  return (
    <svg viewBox={viewBoxOf(viewOf(lines, box, 0.7, 0.3))} className="h-full w-full" aria-hidden>
      <RuledLines lines={lines} />
      {strokes.map((points, at) => (
        <PenLine key={at} points={points} width={WIDTH} />
      ))}
      {own.best ? (
        <path
          d={ringOf(
            (box.left + box.right) / 2,
            (box.top + box.bottom) / 2,
            (box.right - box.left) / 2 + 0.4,
            (box.top - box.bottom) / 2 + 0.3,
          )}
          className="fill-none stroke-ember"
          strokeWidth={WIDTH}
          strokeLinecap="round"
        />
      ) : null}
    </svg>
  );
}
