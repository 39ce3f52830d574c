/** The whole lesson in a line: what is done, where the board is, what comes. Each stop is pressed to go there. */
import type { LessonOut as Lesson } from "../../api/schema";
import { groupsOf } from "./course";

export function CourseLine({
  lesson,
  at,
  onGo,
}: {
  lesson: Lesson;
  at: number;
  onGo: (place: number) => void;
}) {
  return (
    <ol
      aria-label="Steps"
      className="flex min-w-0 flex-1 items-end gap-1.5 overflow-hidden px-0.5 max-md:order-first max-md:basis-full"
    >
      {groupsOf(lesson).map(({ name, places }) => {
        const here = places.includes(at);
        return (
          <li
            key={places[0]}
            className={`min-w-0 ${places.length === 1 ? "flex-1" : name.length > 4 ? "flex-2" : "w-12 flex-none"}`}
          >
            {places.length > 1 && (
              <span
                aria-hidden
                className={`block truncate px-1 text-left text-sm ${here ? "font-bold text-ink" : "text-soft"}`}
              >
                {name}
              </span>
            )}
            <span className="flex gap-0.5">
              {places.map((place) => (
                <button
                  key={place}
                  type="button"
                  aria-current={place === at ? "step" : undefined}
                  aria-label={lesson.course[place]?.name}
                  title={lesson.course[place]?.name}
                  onClick={() => {
                    onGo(place);
                  }}
                  className={`min-w-2.5 flex-1 truncate border-b-4 border-rule-pale px-1 pb-0.5 text-left text-sm text-soft hover:border-rule aria-[current=step]:border-ink aria-[current=step]:font-bold aria-[current=step]:text-ink ${places.length > 1 ? "h-4" : ""}`}
                >
                  {places.length > 1 ? null : name}
                </button>
              ))}
            </span>
          </li>
        );
      })}
    </ol>
  );
}
