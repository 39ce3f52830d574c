/** What else can be done with a child on the list: put apart, left, moved to another class. */
import { DropdownMenu } from "radix-ui";

import { useMovePupil } from "../../api/rosterQueries";
import type { PupilOut as Pupil } from "../../api/schema";
import { useHerClasses } from "../../api/schoolQueries";
import type { SetPresence } from "./usePresence";

const ITEM =
  "flex min-h-10 cursor-default items-center rounded px-3 outline-none select-none data-[highlighted]:bg-rule-wash";

export function MoreAboutChild({ pupil, setPresence }: { pupil: Pupil; setPresence: SetPresence }) {
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
