/** How long the lesson may take: offered for its shape, or her own. Of a full one it is kept. */
import type { Shape, TodayOut as Today } from "../../api/schema";
import { useSetLanguage } from "../../api/lessonQueries";
import { Choice } from "../../ui/Choice";
import { ProblemNote } from "../../ui/states";

const USUAL = [8, 10, 15, 20];

export function LessonMinutes({
  today,
  shape,
  minutes,
  onChange,
}: {
  today: Today;
  shape: Shape;
  minutes: number | null;
  onChange: (minutes: number) => void;
}) {
  const set = useSetLanguage();
  const { shortest, longest } = today.minutes_range;
  const change = (to: number) => {
    const minutes = Math.min(longest, Math.max(shortest, Math.round(to)));
    if (shape === "full") set.mutate({ body: { ...today.language, minutes } });
    else onChange(minutes);
  };
  return (
    <div className="flex flex-wrap items-center gap-3">
      <span className="text-soft">Minutes</span>
      <Choice
        label="Minutes"
        value={minutes === null ? undefined : String(minutes)}
        options={USUAL.map((one) => ({ value: String(one), label: one }))}
        onChange={(one) => {
          change(Number(one));
        }}
      />
      <label className="flex items-center gap-2 text-soft">
        your own
        <input
          type="number"
          min={shortest}
          max={longest}
          defaultValue={minutes ?? undefined}
          key={minutes}
          onBlur={(event) => {
            const typed = event.target.valueAsNumber;
            if (typed && typed !== minutes) change(typed);
          }}
          className="w-20 rounded-md border-2 border-crease bg-leaf px-2 py-1.5 text-ink"
        />
      </label>
      {set.isError && <ProblemNote error={set.error} />}
    </div>
  );
}
