/** What can be mended in a letter, for the chosen move and its stroke; each has a key. */
import {
  ArrowDown,
  ArrowLeft,
  ArrowLeftRight,
  ArrowRight,
  ArrowUp,
  Minus,
  RefreshCcw,
  Undo2,
} from "lucide-react";

import type { MendIn } from "../../api/schema";
import { Button } from "../../ui/Button";

export type Way = NonNullable<MendIn["way"]>;

export interface Mending {
  mend: MendIn["mend"];
  way: Way;
}

const WAYS: readonly { way: Way; name: string; Icon: typeof ArrowUp }[] = [
  { way: "left", name: "Move the start to the left", Icon: ArrowLeft },
  { way: "up", name: "Move the start up", Icon: ArrowUp },
  { way: "down", name: "Move the start down", Icon: ArrowDown },
  { way: "right", name: "Move the start to the right", Icon: ArrowRight },
];

export function MendTools({
  strokes,
  canUndo,
  busy,
  onMend,
  onUndo,
}: {
  strokes: number;
  canUndo: boolean;
  busy: boolean;
  onMend: (mending: Mending) => void;
  onUndo: () => void;
}) {
  return (
    <div role="toolbar" aria-label="Mend it" className="flex flex-wrap items-center gap-1.5">
      <Button
        small
        disabled={busy}
        onClick={() => {
          onMend({ mend: "straight", way: "up" });
        }}
        title="Make this move straight"
      >
        <Minus aria-hidden size={16} /> Straight <Key>s</Key>
      </Button>
      <Button
        small
        disabled={busy}
        onClick={() => {
          onMend({ mend: "back", way: "up" });
        }}
        title="This goes back along the stem, on one line"
      >
        Back along <Key>b</Key>
      </Button>
      <Button
        small
        disabled={busy}
        onClick={() => {
          onMend({ mend: "turn", way: "up" });
        }}
        title="Make this stroke from its end to its start"
      >
        <RefreshCcw aria-hidden size={16} /> Other way <Key>t</Key>
      </Button>
      {strokes > 1 ? (
        <Button
          small
          disabled={busy}
          onClick={() => {
            onMend({ mend: "swap", way: "up" });
          }}
          title="Make this stroke and the next in the other order"
        >
          <ArrowLeftRight aria-hidden size={16} /> Swap <Key>w</Key>
        </Button>
      ) : null}
      <span className="ml-1 inline-flex items-center gap-0.5">
        <span className="pr-1 text-sm text-soft">Start</span>
        {WAYS.map(({ way, name, Icon }) => (
          <Button
            key={way}
            small
            disabled={busy}
            aria-label={name}
            title={name}
            onClick={() => {
              onMend({ mend: "start", way });
            }}
          >
            <Icon aria-hidden size={16} />
          </Button>
        ))}
      </span>
      <Button small look="quiet" disabled={!canUndo} onClick={onUndo}>
        <Undo2 aria-hidden size={16} /> Undo <Key>z</Key>
      </Button>
    </div>
  );
}

function Key({ children }: { children: string }) {
  return (
    <kbd aria-hidden className="rounded border border-crease px-1 text-xs text-soft">
      {children}
    </kbd>
  );
}
