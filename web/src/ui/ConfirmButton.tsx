/** A button for what cannot be undone: it asks once. */
import { AlertDialog } from "radix-ui";

import { Button } from "./Button";

export function ConfirmButton({
  label,
  question,
  yes,
  onYes,
}: {
  label: string;
  question: string;
  yes: string;
  onYes: () => void;
}) {
  return (
    <AlertDialog.Root>
      <AlertDialog.Trigger asChild>
        <Button look="quiet" className="px-2">
          {label}
        </Button>
      </AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-30 bg-ink/30" />
        <AlertDialog.Content className="fixed top-1/3 left-1/2 z-30 flex w-[28rem] max-w-[94vw] -translate-x-1/2 flex-col gap-4 rounded-lg border-2 border-ink bg-paper p-5 shadow-lg">
          <AlertDialog.Title className="text-lg font-bold">{label}?</AlertDialog.Title>
          <AlertDialog.Description>{question}</AlertDialog.Description>
          <div className="flex justify-end gap-2">
            <AlertDialog.Cancel asChild>
              <Button>Leave it</Button>
            </AlertDialog.Cancel>
            <AlertDialog.Action asChild>
              <Button look="main" onClick={onYes}>
                {yes}
              </Button>
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
