/** Which letters are taught: lessons add to them, and the teacher can say otherwise. */
import { ToggleGroup } from "radix-ui";

import { useSetTaught } from "../../api/lessonQueries";
import { useAlphabet } from "../../api/queries";
import { ProblemNote } from "../../ui/states";

export function TaughtLetters({ taught }: { taught: string[] }) {
  const alphabet = useAlphabet();
  const set = useSetTaught();
  const letters = alphabet.data?.find(({ group }) => group === "small")?.letters ?? [];
  return (
    <section aria-label="Taught letters">
      <h2 className="mb-1 font-bold">Taught so far</h2>
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
      <p className="mt-1 text-sm text-soft">
        A lesson that is given adds its letter. Press one to say otherwise.
      </p>
      {set.isError && <ProblemNote error={set.error} />}
    </section>
  );
}
