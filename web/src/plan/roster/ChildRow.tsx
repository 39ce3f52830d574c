/** A child on the list: picture, name, hand, and what else can be done. */
import { DropdownMenu } from "radix-ui";

import { useHerClasses } from "../../api/schoolQueries";
import { useChangePupil, useMovePupil, useSetTile } from "../../api/rosterQueries";
import type { PupilOut as Pupil } from "../../api/schema";
import { Choice } from "../../ui/Choice";
import { EditableText } from "../../ui/EditableText";
import { ProblemNote } from "../../ui/states";
import type { SetPresence } from "./usePresence";
import { TilePick } from "../../ui/TilePick";

const HANDS = [
  { value: "left", label: "left" },
  { value: "right", label: "right" },
] as const;

export function ChildRow({
  pupil,
  taken,
  setPresence,
  done,
}: {
  pupil: Pupil;
  taken: readonly Pupil[];
  setPresence: SetPresence;
  /** Says what was done, and how it is taken back. */
  done: (said: string, undo: () => void) => void;
}) {
  const change = useChangePupil();
  const setTile = useSetTile();
  const { id, name, handedness } = pupil;
  const others = taken.filter((one) => one.id !== id);
  const owners = new Map(others.map((one) => [one.tile, one.name]));
  const isApart = pupil.presence === "apart";
  const at = { params: { path: { pupil_id: id } } };
  const changeTo = (body: Pick<Pupil, "name" | "handedness">, alike = false) => {
    change.mutate(
      { params: { ...at.params, query: { alike } }, body },
      {
        onSuccess: () => {
          done(
            body.name === name
              ? `${name} writes with the ${body.handedness} hand.`
              : `${name} is called ${body.name} now.`,
            () => {
              change.mutate({
                params: { ...at.params, query: { alike: true } },
                body: { name, handedness },
              });
            },
          );
        },
      },
    );
  };
  const setTileTo = (tile: string | null) => {
    setTile.mutate(
      { ...at, body: { tile } },
      {
        onSuccess: () => {
          done(`${name} has ${tile ? "another picture" : "no picture"} now.`, () => {
            setTile.mutate({ ...at, body: { tile: pupil.tile } });
          });
        },
      },
    );
  };
  return (
    <li className="flex flex-wrap items-center gap-x-2 border-b border-rule/60 py-1">
      <TilePick
        label={`Picture of ${name}`}
        value={pupil.tile}
        owners={owners}
        onChoose={setTileTo}
      />
      <div className={`min-w-0 flex-1 ${isApart ? "opacity-70" : ""}`}>
        <EditableText
          label={`Name of ${name}`}
          value={name}
          onChange={(changed) => {
            changeTo({ name: changed, handedness });
          }}
          className="text-lg"
        />
      </div>
      {isApart ? <span className="text-sm text-soft">apart</span> : null}
      <Choice
        small
        label={`${name} writes with the`}
        value={handedness}
        options={HANDS}
        onChange={(chosen) => {
          changeTo({ name, handedness: chosen });
        }}
      />
      <More pupil={pupil} setPresence={setPresence} />
      {change.error ? (
        <ProblemNote
          error={change.error}
          both={() => {
            const { name: called = name, handedness: hand = handedness } =
              change.variables?.body ?? {};
            changeTo({ name: called, handedness: hand }, true);
          }}
        />
      ) : null}
      {setTile.error ? <ProblemNote error={setTile.error} /> : null}
    </li>
  );
}

const ITEM =
  "flex min-h-10 cursor-default items-center rounded px-3 outline-none select-none data-[highlighted]:bg-rule-wash";

function More({ pupil, setPresence }: { pupil: Pupil; setPresence: SetPresence }) {
  const { id, name, presence } = pupil;
  const others = (useHerClasses().data?.classes ?? []).filter(
    ({ is_open, role }) => !is_open && role === "teacher",
  );
  const move = useMovePupil();
  const to = presence === "apart" ? "here" : "apart";
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label={`More about ${name}`}
        className="inline-flex size-9 items-center justify-center rounded-md border-2 border-transparent text-lg leading-none text-soft hover:border-crease hover:text-ink data-[state=open]:border-ink"
      >
        …
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className="z-20 rounded-md border-2 border-ink bg-paper p-1 shadow-lg"
        >
          <DropdownMenu.Item
            className={ITEM}
            onSelect={() => {
              setPresence(pupil, to);
            }}
          >
            {to === "apart" ? "Put apart for a while" : "Is with the class again"}
          </DropdownMenu.Item>
          <DropdownMenu.Item
            className={ITEM}
            onSelect={() => {
              setPresence(pupil, "left");
            }}
          >
            Has left the class
          </DropdownMenu.Item>
          {others.map((one) => (
            <DropdownMenu.Item
              key={one.id}
              className={ITEM}
              onSelect={() => {
                move.mutate({ params: { path: { pupil_id: id } }, body: { class_id: one.id } });
              }}
            >
              Moves to {one.name}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
