/** Plan, today: the date, the lesson, what could come next, the week. */
import { useSearchParams } from "react-router";

import type { LessonOut as Lesson, TodayOut as Today } from "../../api/schema";
import { useToday } from "../../api/lessonQueries";
import { useClassroom } from "../../api/queries";
import { Choice } from "../../ui/Choice";
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
  const [asked, ask] = useSearchParams();
  const own = today.lesson && !today.lesson.given ? today.lesson : null;
  const groups = today.of_groups.filter(({ given }) => !given);
  const group = groups.find(({ id }) => String(id) === asked.get("lesson"));
  const lesson = group ?? own;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3 px-5 py-3">
      <header className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <h1 className="text-xl font-bold">{today.date_text}</h1>
        <LanguageChoice language={today.language} />
        <span className="flex-1" />
        <Week week={today.week} />
      </header>
      {groups.length > 0 ? (
        <Whose
          groups={groups}
          chosen={group}
          onChoose={(id) => {
            ask(id === CLASS ? {} : { lesson: id }, { replace: true });
          }}
        />
      ) : null}
      {lesson ? (
        <LessonDesk key={lesson.id} lesson={lesson} today={today} />
      ) : (
        <ChooseNew today={today} />
      )}
      <Earlier />
    </div>
  );
}

const CLASS = "class";

/** Whose lesson is looked at: the class's, or one of a group, which goes on beside the others. */
function Whose({
  groups,
  chosen,
  onChoose,
}: {
  groups: readonly Lesson[];
  chosen: Lesson | undefined;
  onChoose: (id: string) => void;
}) {
  const pupils = useClassroom().data?.pupils ?? [];
  const named = (lesson: Lesson) =>
    pupils.filter(({ id }) => lesson.group?.includes(id)).map(({ name }) => name);
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <Choice
        small
        label="Whose lesson"
        value={chosen ? String(chosen.id) : CLASS}
        options={[
          { value: CLASS, label: "The class" },
          ...groups.map((lesson) => ({
            value: String(lesson.id),
            label: `${named(lesson).length} on ${lesson.new.join(" ")}`,
            name: named(lesson).join(", "),
          })),
        ]}
        onChange={onChoose}
      />
      <p className="text-soft">
        {chosen ? `${named(chosen).join(", ")}. It has a code of its own for the pads.` : ""}
      </p>
    </div>
  );
}
