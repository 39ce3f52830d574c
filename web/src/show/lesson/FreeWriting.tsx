/** Free writing: the picture or the question it begins with, and the lines to write on. */
import { useClassroom } from "../../api/queries";
import type { LessonOut as Lesson, StopOut as Stop } from "../../api/schema";
import { lineAt } from "../../ink/geometry";
import { RuledLines } from "../../ink/RuledLines";
import { PromptPicture } from "../../ui/PromptPicture";
import { Failed } from "../../ui/states";

/** u: how long the lines are, and what is between a row and the next. */
const LENGTH = 22;
const ROOM = 0.3;

export function FreeWriting({ lesson, stop }: { lesson: Lesson; stop: Stop }) {
  const classroom = useClassroom();
  const lines = classroom.data?.lines ?? [];
  const top = lineAt(lines, "top") + ROOM;
  const height = top - lineAt(lines, "drop") + ROOM;
  const [question, ...told] = lesson.picture === null ? stop.told : ["", ...stop.told];
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-4">
      <Failed of={[classroom]} />
      <div className="flex items-center justify-center gap-6">
        {lesson.picture === null ? (
          <p className="text-center text-4xl font-medium big:text-[4.5rem]">{question}</p>
        ) : (
          <PromptPicture name={lesson.picture} className="h-44 big:h-72" />
        )}
      </div>
      <svg
        viewBox={`0 0 ${String(LENGTH)} ${String(height * stop.rows)}`}
        className="min-h-0 w-full flex-1 rounded-lg border-2 border-crease bg-leaf"
        aria-hidden
      >
        {Array.from({ length: stop.rows }, (_, row) => (
          <g key={row} transform={`translate(0 ${String(row * height + top)})`}>
            <RuledLines lines={lines} />
          </g>
        ))}
      </svg>
      <Told told={told} />
    </div>
  );
}

/** What the class is told to do, under what the board shows. */
export function Told({ told }: { told: readonly string[] }) {
  return (
    <p className="text-center text-2xl leading-tight text-soft big:text-[2.75rem]">
      {told.join(" ")}
    </p>
  );
}
