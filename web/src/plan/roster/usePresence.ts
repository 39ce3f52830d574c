/** Whether a child is taught with the class. */
import { useSetPresence } from "../../api/rosterQueries";
import type { Presence, PupilOut as Pupil } from "../../api/schema";

const SAID: Record<Presence, string> = {
  here: "is with the class again",
  apart: "is apart: the class’s plans do not reckon with them",
  left: "has left; the letters are kept",
};

export type SetPresence = (
  pupil: Pick<Pupil, "id" | "name" | "presence">,
  presence: Presence,
) => void;

export function usePresence(done: (said: string, undo: () => void) => void) {
  const change = useSetPresence();
  const put = (id: number, presence: Presence, onSuccess: () => void = () => undefined) => {
    change.mutate({ params: { path: { pupil_id: id } }, body: { presence } }, { onSuccess });
  };
  const set: SetPresence = ({ id, name, presence: before }, presence) => {
    put(id, presence, () => {
      done(`${name} ${SAID[presence]}.`, () => {
        put(id, before);
      });
    });
  };
  return { set, error: change.error };
}
