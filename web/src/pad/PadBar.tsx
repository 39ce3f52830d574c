/** Under the sheet: strike through or rub out, what is said, done. */
import { Check, Undo2 } from "lucide-react";
import type { ReactNode } from "react";

import { PadButton, StruckIcon } from "./PadButton";

export function PadBar({
  written,
  rubbing,
  onStrike,
  onRubOut,
  onDone,
  children,
}: {
  written: boolean;
  rubbing: boolean;
  onStrike: () => void;
  onRubOut: () => void;
  onDone: () => void;
  children?: ReactNode;
}) {
  return (
    <footer className="flex h-20 shrink-0 items-center gap-4 px-4">
      <PadButton name="Strike it through" disabled={!written} onClick={onStrike}>
        <StruckIcon />
      </PadButton>
      {rubbing ? (
        <PadButton name="Last stroke away" disabled={!written} onClick={onRubOut}>
          <Undo2 aria-hidden size={30} />
        </PadButton>
      ) : null}
      <div className="flex min-w-0 flex-1 items-center justify-center gap-3 text-xl">
        {children}
      </div>
      <PadButton look="done" name="Done" disabled={!written} onClick={onDone}>
        <Check aria-hidden size={36} />
      </PadButton>
    </footer>
  );
}
