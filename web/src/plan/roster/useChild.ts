/** Changes of a child on the list; each says what was done, and how it is taken back. */
import { useChangePupil, useSetTile } from "../../api/rosterQueries";
import type { PupilOut as Pupil } from "../../api/schema";

/** Says what was done, and how it is taken back. */
export type Done = (said: string, undo: () => void) => void;

export function useChild(pupil: Pupil, done: Done) {
  const change = useChangePupil();
  const setTile = useSetTile();
  const { id, name, handedness, tile: before } = pupil;
  const at = { params: { path: { pupil_id: id } } };
  const send = (body: Pick<Pupil, "name" | "handedness">, alike: boolean) => {
    change.mutate(
      { params: { ...at.params, query: { alike } }, body },
      {
        onSuccess: () => {
          const said =
            body.name === name
              ? `${name} writes with the ${body.handedness} hand.`
              : `${name} is called ${body.name} now.`;
          done(said, () => {
            change.mutate({
              params: { ...at.params, query: { alike: true } },
              body: { name, handedness },
            });
          });
        },
      },
    );
  };
  return {
    changeTo: (body: Partial<Pick<Pupil, "name" | "handedness">>) => {
      send({ name, handedness, ...body }, false);
    },
    setTileTo: (tile: string | null) => {
      setTile.mutate(
        { ...at, body: { tile } },
        {
          onSuccess: () => {
            done(`${name} has ${tile ? "another picture" : "no picture"} now.`, () => {
              setTile.mutate({ ...at, body: { tile: before } });
            });
          },
        },
      );
    },
    changeError: change.error,
    /** The two names that look alike are meant to be two. */
    both: () => {
      const { name: called = name, handedness: hand = handedness } = change.variables?.body ?? {};
      send({ name: called, handedness: hand }, true);
    },
    tileError: setTile.error,
  };
}
