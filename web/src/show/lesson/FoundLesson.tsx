/** The lesson of the address, once it is there; or what is amiss with it. */
import type { ReactNode } from "react";
import { Link, useParams } from "react-router";

import { useToday } from "../../api/lessonQueries";
import type { LessonOut as Lesson } from "../../api/schema";
import { Empty, Loading, ProblemNote } from "../../ui/states";

export function FoundLesson({ children }: { children: (lesson: Lesson) => ReactNode }) {
  const id = Number(useParams().id);
  const today = useToday();
  if (today.isPending) return <Loading what="the lesson" />;
  if (today.isError) {
    return <ProblemNote error={today.error} retry={() => void today.refetch()} />;
  }
  const lesson = today.data.week.flatMap(({ lessons }) => lessons).find((one) => one.id === id);
  const found = lesson ?? (today.data.lesson?.id === id ? today.data.lesson : undefined);
  if (!found) {
    return (
      <Empty>
        This lesson is not one of this week. <Link to="/plan/today">Plan today&rsquo;s</Link>.
      </Empty>
    );
  }
  return children(found);
}
