/** Which letters are taught: lessons add to them, and the teacher can say otherwise. */
import { ToggleGroup } from "radix-ui";
import { useState } from "react";

import { useSetTaught } from "../../api/lessonQueries";
import { useAlphabet } from "../../api/queries";
import { Choice } from "../../ui/Choice";
import { ProblemNote } from "../../ui/states";

const KINDS: Record<string, string> = { small: "Small", capital: "Capitals", digit: "Digits" };

export function TaughtLetters({ taught, words }: { taught: string[]; words: string[] }) {
  const alphabet = useAlphabet();
  const set = useSetTaught();
  const [kind, setKind] = useState("small");
  const groups = alphabet.data?.filter(({ group }) => group in KINDS) ?? [];
  const letters = groups.find(({ group }) => group === kind)?.letters ?? [];
  return (
    <section aria-label="Taught letters">
      <div className="mb-1 flex flex-wrap items-center gap-x-4 gap-y-1">
        <h2 className="font-bold">Taught so far</h2>
        <Choice
          label="Kind of letters"
          small
          value={kind}
          onChange={setKind}
          options={groups.map(({ group }) => ({ value: group, label: KINDS[group] }))}
        />
      </div>
      <ToggleGroup.Root
        type="multiple"
        value={set.isPending ? set.variables.body.letters : taught}
        onValueChange={(letters: string[]) => {
          set.mutate({ body: { letters } });
        }}
        aria-label="Taught letters"
        className="flex flex-wrap gap-1"
      >
        {letters.map(({ letter }) => (
          <ToggleGroup.Item
            key={letter}
            value={letter}
            className="size-9 rounded-md border-2 border-transparent text-lg text-soft hover:border-rule-deep data-[state=on]:border-rule data-[state=on]:bg-rule-wash data-[state=on]:font-bold data-[state=on]:text-ink"
          >
            {letter}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      {words.length > 0 && (
        <ul aria-label="Whole words that are taught" className="mt-1 flex flex-wrap gap-1.5">
          {words.map((word) => (
            <li key={word}>
              <button
                type="button"
                title={`${word} is not taught`}
                aria-label={`${word} is not taught`}
                onClick={() => {
                  set.mutate({
                    body: { letters: taught, words: words.filter((one) => one !== word) },
                  });
                }}
                className="min-h-9 rounded-md border-2 border-rule bg-rule-wash px-2 font-bold hover:border-ember"
              >
                {word}
              </button>
            </li>
          ))}
        </ul>
      )}
      <p className="mt-1 text-sm text-soft">
        A lesson that is given adds its letter. Press one to say otherwise.
      </p>
      {set.isError && <ProblemNote error={set.error} />}
    </section>
  );
}
