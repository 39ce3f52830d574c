/** How the class writes the date, and what it calls the dot at the end. */
import { Popover } from "radix-ui";

import type { LanguageIn as Language } from "../../api/schema";
import { useSetLanguage } from "../../api/lessonQueries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { ProblemNote } from "../../ui/states";
import { Tick } from "../../ui/Tick";

const VARIETIES = [
  { value: "british", label: "British" },
  { value: "american", label: "American" },
] as const;

export function LanguageChoice({ language }: { language: Language }) {
  const set = useSetLanguage();
  const change = (changed: Partial<Language>) => {
    set.mutate({ body: { ...language, ...changed } });
  };
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button look="quiet" className="px-1">
          How dates are written
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          className="z-20 flex flex-col gap-3 rounded-lg border-2 border-ink bg-paper p-4 shadow-lg"
        >
          <Choice
            label="Dates and words"
            value={language.variety}
            options={VARIETIES}
            onChange={(variety) => {
              change({ variety });
            }}
          />
          <Tick
            label="The day with its ending: 1st, 2nd"
            checked={language.ordinal}
            onChange={(ordinal) => {
              change({ ordinal });
            }}
          />
          <Tick
            label={`A ${language.variety === "british" ? "full stop" : "period"} after the date`}
            checked={language.stop}
            onChange={(stop) => {
              change({ stop });
            }}
          />
          {set.isError && <ProblemNote error={set.error} />}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
