/** Free writing: the picture or the question it begins with, and the lines to write on. */
import { useClassroom } from "../../api/queries";
import type { LessonOut as Lesson, LessonStep } from "../../api/schema";
import { lineAt } from "../../ink/geometry";
import { RuledLines } from "../../ink/RuledLines";
import { PromptPicture } from "../../ui/PromptPicture";

/** u: how long the lines are, and what is between a row and the next. */
const LENGTH = 22;
const ROOM = 0.3;

export function FreeWriting({ lesson, step }: { lesson: Lesson; step: LessonStep }) {
  const lines = useClassroom().data?.lines ?? [];
  const top = lineAt(lines, "top") + ROOM;
  const height = top - lineAt(lines, "drop") + ROOM;
  const [question, ...told] = lesson.picture === null ? step.prompts : ["", ...step.prompts];
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-4">
      <div className="flex items-center justify-center gap-6">
        {lesson.picture === null ? (
          <p className="text-center text-4xl font-medium big:text-[4.5rem]">{question}</p>
        ) : (
          <PromptPicture name={lesson.picture} className="h-44 big:h-72" />
        )}
      </div>
      <svg
        viewBox={`0 0 ${String(LENGTH)} ${String(height * step.rows)}`}
        className="min-h-0 w-full flex-1 rounded-lg border-2 border-crease bg-leaf"
        aria-hidden
      >
        {Array.from({ length: step.rows }, (_, row) => (
          <g key={row} transform={`translate(0 ${String(row * height + top)})`}>
            <RuledLines lines={lines} />
          </g>
        ))}
      </svg>
      <Told prompts={told} />
    </div>
  );
}

/** What the class is told to do, under what the board shows. */
export function Told({ prompts }: { prompts: readonly string[] }) {
  return (
    <p className="text-center text-2xl leading-tight text-soft big:text-[2.75rem]">
      {prompts.join(" ")}
    </p>
  );
}
