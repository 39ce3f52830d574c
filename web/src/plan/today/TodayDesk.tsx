/** Plan, today: the date, the lesson, what could come next, the week. */
import type { TodayOut as Today } from "../../api/schema";
import { useToday } from "../../api/lessonQueries";
import { Loading, ProblemNote } from "../../ui/states";
import { ChooseNew } from "./ChooseNew";
import { Earlier } from "./Earlier";
import { LanguageChoice } from "./LanguageChoice";
import { LessonDesk } from "./LessonDesk";
import { Week } from "./Week";

export function TodayDesk() {
  const today = useToday();
  if (today.isPending) return <Loading what="today" />;
  if (today.isError) {
    return <ProblemNote error={today.error} retry={() => void today.refetch()} />;
  }
  return <Desk today={today.data} />;
}

function Desk({ today }: { today: Today }) {
  const { lesson } = today;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3 px-5 py-3">
      <header className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <h1 className="text-xl font-bold">{today.date_text}</h1>
        <LanguageChoice language={today.language} />
        <span className="flex-1" />
        <Week week={today.week} />
      </header>
      {lesson && !lesson.given ? (
        <LessonDesk key={lesson.id} lesson={lesson} today={today} />
      ) : (
        <ChooseNew today={today} />
      )}
      <Earlier />
    </div>
  );
}
