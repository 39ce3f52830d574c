/**
 * In the corner, for the adult who comes by: letters that the server will never take, which lie here
 * until she lets them go; and that this tablet cannot keep what is written on it.
 */
import { FolderClosed, Unplug } from "lucide-react";
import { Dialog } from "radix-ui";
import { useState } from "react";

import { boxOf, viewBoxOf, viewOf } from "../ink/geometry";
import { PenLine } from "../ink/PenLine";
import { Button } from "../ui/Button";
import { ConfirmButton } from "../ui/ConfirmButton";
import type { Written } from "./store";
import { usePadStore } from "./StoreContext";

const PEN = 0.1;
const KINDS = { letter: "letter", word: "word", row: "row", sequence: "letters" } as const;

export function ForAdults() {
  const store = usePadStore();
  const { aside, fails } = store;
  return (
    <aside
      aria-label="For adults"
      className="absolute top-1.5 right-2 z-10 flex items-center gap-2 text-soft"
    >
      {fails ? (
        <p role="status" title="This tablet cannot keep what is written: leave the page open">
          <Unplug aria-hidden size={26} />
          <span className="sr-only">
            This tablet cannot keep what is written: leave the page open until the lesson is over.
          </span>
        </p>
      ) : null}
      {aside.length > 0 ? (
        <Aside
          aside={aside}
          onLetGo={(ids) => {
            store.letGo(ids);
          }}
        />
      ) : null}
    </aside>
  );
}

function Aside({
  aside,
  onLetGo,
}: {
  aside: readonly Written[];
  onLetGo: (ids: string[]) => void;
}) {
  const [open, setOpen] = useState(false);
  const count = aside.length;
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger
        aria-label={`For adults: ${String(count)} set aside`}
        className="flex h-11 items-center gap-1.5 rounded-md border-2 border-crease bg-leaf px-2.5 text-lg"
      >
        <FolderClosed aria-hidden size={22} />
        {count}
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-20 flex max-h-[90dvh] w-[40rem] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 flex-col gap-4 overflow-auto rounded-lg border-2 border-ink bg-paper p-6 shadow-lg"
        >
          <Dialog.Title className="text-xl font-bold">Set aside on this tablet</Dialog.Title>
          <p>
            The record does not take these any more. They stay here until you let them go, for a
            week at the longest.
          </p>
          <ul className="flex flex-col gap-2">
            {aside.map((one) => (
              <li key={one.id} className="flex items-center gap-4 border-t border-rule pt-2">
                <Small written={one} />
                <div className="flex-1">
                  <p className="font-medium">{nameOf(one)}</p>
                  <p className="text-sm text-soft">{one.aside?.why}</p>
                </div>
                <ConfirmButton
                  label="Let it go"
                  question="It is wiped from this tablet and is nowhere else."
                  yes="Wipe it"
                  onYes={() => {
                    if (count === 1) setOpen(false);
                    onLetGo([one.id]);
                  }}
                />
              </li>
            ))}
          </ul>
          <div className="flex justify-end gap-3">
            {count > 1 ? (
              <ConfirmButton
                label="Let all go"
                question="They are wiped from this tablet and are nowhere else."
                yes="Wipe them"
                onYes={() => {
                  setOpen(false);
                  onLetGo(aside.map(({ id }) => id));
                }}
              />
            ) : null}
            <Dialog.Close asChild>
              <Button>Close</Button>
            </Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** Whose it is, what, and of when. */
function nameOf({ who, body }: Written): string {
  const kind = body.kind in KINDS ? KINDS[body.kind as keyof typeof KINDS] : "text";
  const when = new Date(body.written_at).toLocaleString("en-GB", {
    weekday: "long",
    hour: "2-digit",
    minute: "2-digit",
  });
  return [who, `the ${kind} ${body.target}`.trim(), when].filter(Boolean).join(", ");
}

function Small({ written }: { written: Written }) {
  const lines = written.body.strokes.map(({ points }) => points);
  return (
    <svg
      viewBox={viewBoxOf(viewOf([], boxOf(lines), 0.3))}
      className="h-14 w-24 shrink-0"
      role="img"
      aria-label={written.body.target || "free writing"}
    >
      {lines.map((points, at) => (
        <PenLine key={at} points={points} width={PEN} />
      ))}
    </svg>
  );
}
