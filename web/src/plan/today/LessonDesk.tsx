/** Today's lesson: its steps on the left, what they are about on the right, the board next. */
import { MonitorPlay, Printer } from "lucide-react";
import { Link } from "react-router";

import { files, type Lesson, type LessonIn, type Today } from "../../api/client";
import { useChangeLesson, useDeleteLesson } from "../../api/lessonQueries";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/states";
import { asSent } from "./lesson";
import { LessonMatter } from "./LessonMatter";
import { LessonSteps } from "./LessonSteps";

export function LessonDesk({ lesson, today }: { lesson: Lesson; today: Today }) {
  const change = useChangeLesson(lesson.id);
  const forget = useDeleteLesson();
  // What was sent last is what the teacher sees, until the answer is there.
  const sent: LessonIn = change.isPending ? change.variables : asSent(lesson);
  return (
    <>
      <div className="flex min-h-0 flex-1 gap-6 max-lg:flex-col max-lg:overflow-y-auto">
        <LessonSteps lesson={lesson} sent={sent} onChange={change.mutate}>
          <Link
            to={`/show/lesson/${String(lesson.id)}`}
            className="inline-flex min-h-11 items-center gap-2 rounded-md border-2 border-ink bg-ink px-4 font-medium text-leaf hover:border-rule-deep hover:bg-rule-deep"
          >
            <MonitorPlay aria-hidden size={20} />
            {lesson.at > 0 ? "Back to the board" : "To the board"}
          </Link>
        </LessonSteps>
        <LessonMatter lesson={lesson} sent={sent} today={today} onChange={change.mutate}>
          <a
            href={files.lesson(lesson.id)}
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
              forget.mutate(lesson.id);
            }}
          >
            Choose another letter
          </Button>
        </LessonMatter>
      </div>
      {change.isError && <ProblemNote error={change.error} />}
    </>
  );
}
