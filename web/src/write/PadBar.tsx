/** Under a pad: take back, bring back what was wiped, what is said, hand in. */
import { Check, RotateCcw, Undo2 } from "lucide-react";
import type { ReactNode } from "react";

import { Button } from "../ui/Button";

export function PadBar({
  undo,
  bringBack,
  handIn,
  children,
}: {
  undo: { label: string; can: boolean; act: () => void };
  /** Null where nothing was wiped. */
  bringBack: (() => void) | null;
  handIn: { can: boolean; act: () => void };
  children?: ReactNode;
}) {
  return (
    <div className="flex flex-wrap items-center gap-3">
      <Button onClick={undo.act} disabled={!undo.can} className="min-h-14 px-5">
        <Undo2 aria-hidden /> {undo.label}
      </Button>
      {bringBack ? (
        <Button onClick={bringBack} className="min-h-14 px-5">
          <RotateCcw aria-hidden /> Bring it back
        </Button>
      ) : null}
      {children ?? <span className="flex-1" />}
      <Button
        look="main"
        onClick={handIn.act}
        disabled={!handIn.can}
        className="min-h-14 px-8 text-xl"
      >
        <Check aria-hidden /> Hand in
      </Button>
    </div>
  );
}
