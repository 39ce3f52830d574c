/** The class that is open; behind it the others, the settings, and the way out. */
import { DropdownMenu } from "radix-ui";
import { useNavigate } from "react-router";

import { useHerClasses, useOpenClass } from "../api/schoolQueries";
import { useSession, useSignOut } from "../api/sessionQueries";
import { Failed } from "./states";

const ITEM =
  "flex min-h-10 cursor-default items-center gap-2 rounded px-3 outline-none select-none data-[highlighted]:bg-rule-wash";

export function ClassMenu({ name }: { name: string }) {
  const hers = useHerClasses();
  const classes = hers.data?.classes ?? [];
  const session = useSession().data;
  const navigate = useNavigate();
  const openClass = useOpenClass();
  const signOut = useSignOut();
  return (
    <>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger
          aria-label={`Class: ${name}`}
          className="inline-flex min-h-8 max-w-64 max-lg:max-w-36 items-center gap-1.5 rounded-md border-2 border-transparent px-2 text-soft hover:border-crease hover:text-ink data-[state=open]:border-ink data-[state=open]:text-ink"
        >
          <span className="truncate">{name}</span>
          <svg
            viewBox="0 0 10 6"
            className="h-1.5 w-2.5 shrink-0"
            fill="none"
            stroke="currentColor"
          >
            <path d="M1 1 Q5 6.5 9 1" strokeWidth="1.6" strokeLinecap="round" />
          </svg>
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="end"
            sideOffset={4}
            className="z-20 min-w-60 rounded-md border-2 border-ink bg-paper p-1 shadow-lg"
          >
            <Failed of={[hers]} />
            {classes.map((one) => (
              <DropdownMenu.Item
                key={one.id}
                className={ITEM}
                onSelect={() => {
                  if (one.is_open) return;
                  openClass.mutate({ body: { class_id: one.id } });
                }}
              >
                <span className={one.is_open ? "font-bold" : ""}>{one.name}</span>
                <span className="ml-auto pl-4 text-sm text-soft">
                  {one.is_open ? "open" : one.role === "helper" ? "you help" : ""}
                </span>
              </DropdownMenu.Item>
            ))}
            <DropdownMenu.Item
              className={ITEM}
              onSelect={() => {
                void navigate("/new-class");
              }}
            >
              Begin another class …
            </DropdownMenu.Item>
            <DropdownMenu.Separator className="my-1 border-t border-rule" />
            <DropdownMenu.Item
              className={ITEM}
              onSelect={() => {
                void navigate("/settings");
              }}
            >
              Settings
            </DropdownMenu.Item>
            {session?.state === "in" ? (
              <DropdownMenu.Item
                className={ITEM}
                onSelect={() => {
                  signOut.mutate({});
                }}
              >
                Sign out
                <span className="ml-auto pl-4 text-sm text-soft">{session.name}</span>
              </DropdownMenu.Item>
            ) : null}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <div className="fixed right-2 bottom-2 z-20">
        <Failed of={[openClass, signOut]} />
      </div>
    </>
  );
}
