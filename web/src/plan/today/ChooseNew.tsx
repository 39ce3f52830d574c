/** What to teach: the scheme's next letters and pairs, or any other; and how long it may take. */
import { useState } from "react";

import type { TodayOut as Today } from "../../api/schema";
import { usePlanLesson, useSetLanguage } from "../../api/lessonQueries";
import { useAlphabet } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { SmallLetter } from "../../ui/SmallLetter";
import { ProblemNote } from "../../ui/states";
import { Due } from "./Due";
import { Proposal } from "./Proposal";
import { TaughtLetters } from "./TaughtLetters";

const USUAL = [10, 15, 20];

export function ChooseNew({ today }: { today: Today }) {
  const plan = usePlanLesson();
  const [chosen, setChosen] = useState<string>(today.next[0]?.new.join(" ") ?? "");
  const parts = chosen.split(" ").filter((part) => part !== "");
  const options = today.next.map(({ new: parts, why }) => ({
    value: parts.join(" "),
    name: `${parts.join(" ")}: ${why}`,
    label: (
      <span className="flex flex-col items-center px-2 py-1">
        <span className="flex">
          {Array.from(parts.join("")).map((letter, at) => (
            <SmallLetter key={at} letter={letter} className="h-20" />
          ))}
        </span>
        <span className="text-sm text-soft">{why}</span>
      </span>
    ),
  }));
  return (
    <div className="flex min-h-0 flex-1 gap-x-8 gap-y-6 max-lg:flex-col">
      <section
        aria-label="What to teach"
        className="flex min-w-0 flex-[4] flex-col items-start gap-4"
      >
        <h2 className="text-lg font-bold">
          {today.lesson?.given ? "Today's lesson was given. What comes next?" : "What comes next?"}
        </h2>
        <Choice label="What to teach" value={chosen} options={options} onChange={setChosen} />
        <OtherLetter value={chosen} onChange={setChosen} />
        <Minutes today={today} />
        <Button
          look="main"
          disabled={chosen === "" || plan.isPending}
          onClick={() => {
            plan.mutate({ body: { new: parts, minutes: today.language.minutes } });
          }}
        >
          Plan the lesson on {chosen || "…"}
        </Button>
        {plan.isError && <ProblemNote error={plan.error} />}
        <TaughtLetters taught={today.taught} />
        <Due due={today.due} />
      </section>
      <Proposal parts={parts} minutes={today.language.minutes} />
    </div>
  );
}

function OtherLetter({ value, onChange }: { value: string; onChange: (value: string) => void }) {
  const alphabet = useAlphabet();
  const small = alphabet.data?.find(({ group }) => group === "small")?.letters ?? [];
  return (
    <label className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <span className="text-soft">Or another letter, letters, or a pair such as sh</span>
      <input
        value={value}
        onChange={(event) => {
          const typed = event.target.value.toLowerCase();
          const known = new Set([" ", ...small.map(({ letter }) => letter)]);
          onChange(
            Array.from(typed)
              .filter((letter) => known.has(letter))
              .join(""),
          );
        }}
        maxLength={9}
        className="w-28 rounded-md border-2 border-crease bg-leaf px-3 py-1.5 text-lg"
      />
    </label>
  );
}

function Minutes({ today }: { today: Today }) {
  const set = useSetLanguage();
  const { minutes } = today.language;
  const { shortest, longest } = today.minutes_range;
  const change = (to: number) => {
    const minutes = Math.min(longest, Math.max(shortest, to));
    set.mutate({ body: { ...today.language, minutes } });
  };
  return (
    <div className="flex flex-wrap items-center gap-3">
      <span className="text-soft">Minutes</span>
      <Choice
        label="Minutes"
        value={String(minutes)}
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
          defaultValue={minutes}
          key={minutes}
          onBlur={(event) => {
            change(event.target.valueAsNumber || minutes);
          }}
          className="w-20 rounded-md border-2 border-crease bg-leaf px-2 py-1.5 text-ink"
        />
      </label>
      {set.isError && <ProblemNote error={set.error} />}
    </div>
  );
}
