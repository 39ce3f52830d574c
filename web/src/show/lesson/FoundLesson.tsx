/** The lesson of the address, of whatever day, once it is there; or what is amiss with it, and where to go. */
import type { ReactNode } from "react";
import { Link, useParams } from "react-router";

import { ProblemError } from "../../api/client";
import { useLesson } from "../../api/lessonQueries";
import type { LessonOut as Lesson } from "../../api/schema";
import { Empty, Loading, ProblemNote } from "../../ui/states";

export function FoundLesson({ children }: { children: (lesson: Lesson) => ReactNode }) {
  const lesson = useLesson(Number(useParams().id));
  if (lesson.isPending) return <Loading what="the lesson" />;
  if (lesson.isError) {
    if (!(lesson.error instanceof ProblemError) || lesson.error.status !== 404) {
      return <ProblemNote error={lesson.error} retry={() => void lesson.refetch()} />;
    }
    return (
      <Empty>
        This lesson is not there any more: another was planned in its place.{" "}
        <Link to="/plan/today">Today&rsquo;s lesson, and earlier ones</Link>.
      </Empty>
    );
  }
  return children(lesson.data);
}
