/** The week: what was planned and what was given, a day a place on one line. */
import type { TodayOut as Today } from "../../api/schema";

export function Week({ week }: { week: Today["week"] }) {
  return (
    <ol aria-label="This week" className="flex items-end">
      {week.map(({ day, name, today, lessons }) => (
        <li
          key={day}
          aria-current={today ? "date" : undefined}
          className="min-w-12 flex-1 border-b-2 border-rule px-1 pb-0.5 text-center text-sm text-soft aria-[current=date]:border-b-4 aria-[current=date]:pb-0 sm:min-w-20 aria-[current=date]:border-ink aria-[current=date]:text-ink"
        >
          <span className="block">{name.slice(0, 3)}</span>
          <span className="block h-7 max-w-28 truncate text-lg font-bold">
            {lessons.map((lesson) => (
              <span
                key={lesson.id}
                title={`${lesson.new.join(" ")} ${lesson.given ? "given" : "planned"}`}
                className={`px-1 ${lesson.given ? "" : "font-normal italic"}`}
              >
                {lesson.new.join(" ") || "words"}
                <span className="sr-only">{lesson.given ? ", given" : ", planned"}</span>
              </span>
            ))}
          </span>
        </li>
      ))}
    </ol>
  );
}
