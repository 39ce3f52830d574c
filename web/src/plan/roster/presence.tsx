/** Whether a child is taught with the class; the last change can be taken back. */
import { useState } from "react";

import { useSetPresence } from "../../api/rosterQueries";
import type { Presence } from "../../api/schema";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/states";

export interface Change {
  id: number;
  name: string;
  from: Presence;
  to: Presence;
}

const DONE: Record<Presence, string> = {
  here: "is with the class again",
  apart: "is apart: the class’s plans do not reckon with them",
  left: "has left; the letters are kept",
};

export function usePresence() {
  const change = useSetPresence();
  const [last, setLast] = useState<Change>();
  const set = (one: Change) => {
    change.mutate(
      { params: { path: { pupil_id: one.id } }, body: { presence: one.to } },
      {
        onSuccess: () => {
          setLast(one);
        },
      },
    );
  };
  const undo = (one: Change) => {
    change.mutate(
      { params: { path: { pupil_id: one.id } }, body: { presence: one.from } },
      {
        onSuccess: () => {
          setLast(undefined);
        },
      },
    );
  };
  return { set, undo, last, error: change.error };
}

export function UndoPresence({
  presence: { last, undo, error },
}: {
  presence: ReturnType<typeof usePresence>;
}) {
  return (
    <>
      {error ? <ProblemNote error={error} /> : null}
      {last ? (
        <p role="status" className="flex items-center gap-3">
          {last.name} {DONE[last.to]}.
          <Button
            onClick={() => {
              undo(last);
            }}
          >
            Undo
          </Button>
        </p>
      ) : null}
    </>
  );
}
