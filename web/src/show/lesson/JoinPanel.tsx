/** On the board: how pads come in, large enough to be read from the back; closed when they are in. */
import { TabletSmartphone } from "lucide-react";
import { Dialog } from "radix-ui";
import { useState } from "react";

import { useNod, useOpenLesson, usePads } from "../../api/roomQueries";
import { Button } from "../../ui/Button";
import { JoinCode } from "../../ui/JoinCode";
import { Loading, ProblemNote } from "../../ui/states";
import { useShortcuts } from "../../ui/useShortcuts";

export function JoinPanel({ lesson, inside }: { lesson: number; inside: HTMLElement | null }) {
  const [open, setOpen] = useState(false);
  const opening = useOpenLesson();
  const change = (to: boolean) => {
    setOpen(to);
    if (to) opening.mutate({ body: { lesson } });
  };
  useShortcuts({
    p: () => {
      change(!open);
    },
  });
  return (
    <Dialog.Root open={open} onOpenChange={change}>
      <Dialog.Trigger asChild>
        <Button title="How pads come in (P)">
          <TabletSmartphone aria-hidden size={18} />{" "}
          <span className="max-[92rem]:sr-only">Pads</span>
        </Button>
      </Dialog.Trigger>
      <Dialog.Portal container={inside}>
        <Dialog.Overlay className="fixed inset-0 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 flex max-h-[96vh] -translate-x-1/2 -translate-y-1/2 flex-col gap-6 overflow-auto rounded-lg border-2 border-ink bg-paper p-8 shadow-lg"
        >
          <Dialog.Title className="text-2xl font-bold big:text-[2.5rem]">Pads come in</Dialog.Title>
          {opening.data ? <JoinCode code={opening.data} large /> : null}
          {opening.isPending ? <Loading what="the code" /> : null}
          {opening.isError ? <ProblemNote error={opening.error} /> : null}
          <Asking lesson={lesson} />
          <div className="flex justify-end">
            <Dialog.Close asChild>
              <Button look="main">To the board</Button>
            </Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Asking({ lesson }: { lesson: number }) {
  const pads = usePads().data ?? [];
  const nod = useNod();
  const asking = pads.filter(({ state }) => state === "asking").length;
  const there = pads.filter((one) => one.lesson === lesson && one.state !== "asking").length;
  return (
    <div className="flex flex-wrap items-center gap-5">
      <p role="status" className="text-xl big:text-[2rem]">
        {there} in{asking > 0 ? `, ${String(asking)} of an earlier lesson ask` : ""}
      </p>
      {asking > 0 ? (
        <Button
          disabled={nod.isPending}
          onClick={() => {
            nod.mutate({ body: { pads: null, lesson } });
          }}
        >
          Let {asking === 1 ? "it" : "all"} in
        </Button>
      ) : null}
    </div>
  );
}
