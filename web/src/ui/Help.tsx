/** `?` on every station: what it is for, and its keys. */
import { Dialog } from "radix-ui";
import { useState } from "react";
import { useLocation } from "react-router";

import { Button } from "./Button";
import { HELP } from "./helpTexts";
import { placeOf } from "./stations";
import { useShortcuts } from "./useShortcuts";

export function Help() {
  const [open, setOpen] = useState(false);
  const { station } = placeOf(useLocation().pathname);
  useShortcuts({
    "?": () => {
      setOpen(true);
    },
  });
  const help = station in HELP ? HELP[station as keyof typeof HELP] : HELP.plan;
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger
        aria-label="Help"
        aria-keyshortcuts="?"
        className="inline-flex size-8 items-center justify-center rounded-full border-2 border-crease bg-leaf font-bold text-soft hover:border-rule-deep hover:text-ink"
      >
        ?
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-20 flex max-h-[90dvh] w-[36rem] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 flex-col gap-4 overflow-auto rounded-lg border-2 border-ink bg-paper p-6 shadow-lg"
        >
          <Dialog.Title className="text-xl font-bold">{help.name}</Dialog.Title>
          {help.sentences.map((sentence) => (
            <p key={sentence}>{sentence}</p>
          ))}
          <dl className="grid grid-cols-[max-content_1fr] gap-x-5 gap-y-1 border-t border-rule pt-3">
            {help.keys.map(([key, does]) => (
              <div key={key} className="contents">
                <dt>
                  <kbd className="rounded border border-crease bg-leaf px-1.5 font-sans font-medium">
                    {key}
                  </kbd>
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
          <Dialog.Close asChild>
            <Button className="self-end">Close</Button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
