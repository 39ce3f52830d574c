/** Today's lesson: its steps on the left, what they are about on the right, the board next. */
import { MonitorPlay, Printer } from "lucide-react";
import { Link } from "react-router";

import { addressOf } from "../../api/client";
import { useChangeLesson, useDeleteLesson } from "../../api/lessonQueries";
import type { LessonOut as Lesson, TodayOut as Today } from "../../api/schema";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/states";
import { LessonMatter } from "./LessonMatter";
import { LessonSteps } from "./LessonSteps";

export function LessonDesk({ lesson, today }: { lesson: Lesson; today: Today }) {
  const changing = useChangeLesson(lesson.id);
  const forget = useDeleteLesson();
  const path = { lesson_id: lesson.id };
  return (
    <>
      <div className="flex min-h-0 flex-1 gap-6 max-lg:flex-col">
        <LessonSteps lesson={lesson} range={today.minutes_range} onChange={changing.change}>
          <Link
            to={`/show/lesson/${String(lesson.id)}`}
            data-hers
            className="inline-flex min-h-11 items-center gap-2 rounded-md border-2 border-ink bg-ink px-4 font-medium text-leaf hover:border-rule-deep hover:bg-rule-deep"
          >
            <MonitorPlay aria-hidden size={20} />
            {lesson.at === null ? "To the board" : "Back to the board"}
          </Link>
        </LessonSteps>
        <LessonMatter lesson={lesson} today={today} onChange={changing.change}>
          <a
            href={addressOf("/api/plan/lessons/{lesson_id}/page", { path })}
            target="_blank"
            rel="noreferrer"
            className="inline-flex min-h-11 items-center gap-2 rounded-md border-2 border-crease bg-leaf px-3 font-medium hover:border-ink"
          >
            <Printer aria-hidden size={18} /> Print the plan
          </a>
          <Button
            look="quiet"
            className="px-1"
            onClick={() => {
              forget.mutate({ params: { path } });
            }}
          >
            Choose another letter
          </Button>
        </LessonMatter>
      </div>
      {changing.isError && <ProblemNote error={changing.error} />}
      {forget.isError && <ProblemNote error={forget.error} />}
    </>
  );
}
