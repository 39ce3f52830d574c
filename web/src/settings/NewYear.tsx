/** A new school year: the children who move up, with all their letters, and the class they move to. */
import { Dialog } from "radix-ui";
import { useState } from "react";

import { useNewYear } from "../api/schoolQueries";
import type { PupilOut as Pupil } from "../api/schema";
import { Button } from "../ui/Button";
import { ProblemNote } from "../ui/states";
import { Tick } from "../ui/Tick";

export function NewYear({ name, pupils }: { name: string; pupils: readonly Pupil[] }) {
  const [called, setCalled] = useState("");
  const [staying, setStaying] = useState<ReadonlySet<number>>(new Set());
  const newYear = useNewYear();
  const moving = pupils.filter(({ id }) => !staying.has(id));
  return (
    <Dialog.Root>
      <Dialog.Trigger asChild>
        <Button>A new school year</Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/30" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-20 flex max-h-[90dvh] w-[40rem] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 flex-col gap-4 overflow-auto rounded-lg border-2 border-ink bg-paper p-6 shadow-lg">
          <Dialog.Title className="text-xl font-bold">A new school year</Dialog.Title>
          <Dialog.Description className="text-soft">
            A new class is made that writes as {name} does and has been taught what it was. Children
            move up with all their letters; who stays is still in {name}.
          </Dialog.Description>
          <form
            className="flex flex-col gap-4"
            onSubmit={(event) => {
              event.preventDefault();
              newYear.mutate({ body: { name: called, pupils: moving.map(({ id }) => id) } });
            }}
          >
            <label className="flex flex-col gap-1">
              <span className="font-medium">What is the new class called?</span>
              <input
                value={called}
                required
                maxLength={60}
                onChange={(event) => {
                  setCalled(event.target.value);
                }}
                className="min-h-11 max-w-sm rounded-md border-2 border-crease bg-leaf px-3"
              />
            </label>
            <fieldset>
              <legend className="mb-1 font-medium">Who moves up?</legend>
              <div className="grid gap-x-6 sm:grid-cols-3">
                {pupils.map((pupil) => (
                  <Tick
                    key={pupil.id}
                    label={pupil.name}
                    checked={!staying.has(pupil.id)}
                    onChange={(moves) => {
                      const rest = new Set(staying);
                      if (moves) rest.delete(pupil.id);
                      else rest.add(pupil.id);
                      setStaying(rest);
                    }}
                  />
                ))}
              </div>
            </fieldset>
            {newYear.error ? (
              <ProblemNote
                error={newYear.error}
                both={() => {
                  const asked = newYear.variables;
                  if (asked) newYear.mutate({ ...asked, params: { query: { alike: true } } });
                }}
              />
            ) : null}
            <div className="flex justify-end gap-2">
              <Dialog.Close asChild>
                <Button>Leave it</Button>
              </Dialog.Close>
              <Button look="main" type="submit" disabled={!called.trim() || newYear.isPending}>
                {moving.length === 1
                  ? "Move 1 child up"
                  : `Move ${String(moving.length)} children up`}
              </Button>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
