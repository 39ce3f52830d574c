/** What a lesson is on: something new; a family to look back on; a habit to mend. */
import type { NewLesson, TodayOut as Today } from "../../api/schema";
import { useHabits } from "../../api/lessonQueries";
import { useAlphabet } from "../../api/queries";
import { Choice } from "../../ui/Choice";
import { SmallLetter } from "../../ui/SmallLetter";
import { Loading, ProblemNote } from "../../ui/states";

interface Again {
  asked: NewLesson;
  onChange: (asked: NewLesson) => void;
}

/** The scheme's next letters and pairs, or any other letters, digits, marks or words. */
export function New({
  today,
  value,
  onChange,
}: {
  today: Today;
  value: string;
  onChange: (value: string) => void;
}) {
  const options = today.next.map(({ new: parts, why }) => ({
    value: parts.join(" "),
    name: `${parts.join(" ")}: ${why}`,
    label: (
      <span className="flex flex-col items-center px-2 py-1">
        <Drawn letters={Array.from(parts.join(""))} small={parts.length > 2} />
        <span className="text-sm text-soft">{why}</span>
      </span>
    ),
  }));
  return (
    <>
      <Choice label="What to teach" value={value} options={options} onChange={onChange} />
      <Others value={value} onChange={onChange} />
    </>
  );
}

const LONGEST = 40;

function Others({ value, onChange }: { value: string; onChange: (value: string) => void }) {
  const alphabet = useAlphabet();
  const known = new Set([
    " ",
    ...(alphabet.data?.flatMap(({ letters }) => letters.map(({ letter }) => letter)) ?? []),
  ]);
  return (
    <label className="flex w-full flex-wrap items-center gap-x-3 gap-y-1">
      <span className="text-soft">
        Or others, a space between them: a letter, N n, 7, a pair such as sh, a whole word
      </span>
      <input
        value={value}
        onChange={(event) => {
          const typed = Array.from(event.target.value);
          onChange(typed.filter((letter) => known.has(letter)).join(""));
        }}
        maxLength={LONGEST}
        className="w-56 rounded-md border-2 border-crease bg-leaf px-3 py-1.5 text-lg"
      />
    </label>
  );
}

/** The taught letters of a family, to be written again. */
export function Families({ today, asked, onChange }: Again & { today: Today }) {
  const families = today.families.filter(({ taught }) => taught.length > 0);
  if (families.length === 0) {
    return <p className="text-soft">No letter is taught yet: there is nothing to look back on.</p>;
  }
  return (
    <Choice
      label="Which family"
      value={asked.new.join(" ")}
      options={families.map(({ name, taught }) => ({
        value: taught.join(" "),
        name: `${name}: ${taught.join(" ")}`,
        label: (
          <span className="flex flex-col items-center px-1 py-1">
            <Drawn letters={taught} small />
            <span className="text-sm text-soft">{name}</span>
          </span>
        ),
      }))}
      onChange={(letters) => {
        onChange({ shape: "look_back", new: letters.split(" ") });
      }}
    />
  );
}

/** What several children could mend together, from what they wrote lately. */
export function Habits({ asked, onChange }: Again) {
  const habits = useHabits();
  if (habits.isPending) return <Loading what="habits" />;
  if (habits.isError) {
    return <ProblemNote error={habits.error} retry={() => void habits.refetch()} />;
  }
  if (habits.data.length === 0) {
    return <p className="text-soft">In the last four weeks no habit showed in taught letters.</p>;
  }
  return (
    <Choice
      label="Which habit"
      value={asked.habit ?? undefined}
      options={habits.data.map(({ code, what, letters, children }) => ({
        value: code,
        name: what,
        label: (
          <span className="flex w-96 items-center gap-3 py-1 text-left">
            <span className="min-w-0 flex-1">
              <span className="block">{what}</span>
              <span className="block text-sm font-normal text-soft">
                {children === 1 ? "one child" : `${String(children)} children`} in four weeks
              </span>
            </span>
            <Drawn letters={letters} small />
          </span>
        ),
      }))}
      onChange={(code) => {
        const habit = habits.data.find((one) => one.code === code);
        if (habit) onChange({ shape: "mend", new: habit.letters, habit: habit.code });
      }}
    />
  );
}

function Drawn({ letters, small = false }: { letters: readonly string[]; small?: boolean }) {
  return (
    <span className="flex flex-wrap justify-center">
      {letters.map((letter, at) => (
        <SmallLetter key={at} letter={letter} className={small ? "h-12" : "h-20"} />
      ))}
    </span>
  );
}
