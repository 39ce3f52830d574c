/** A child on the teacher's screen: its last letters, the newest large, and how it goes. */
import { WifiOff } from "lucide-react";

import type { ChildOut, RulingLine as Line } from "../../api/schema";
import { Tile } from "../../ui/Tile";
import { GoingMark } from "./GoingMark";
import { WorkPicture } from "./WorkPicture";

export type CardSize = "small" | "medium" | "large";

const CARDS: Record<CardSize, { card: string; before: string; last: string; say: string }> = {
  small: {
    card: "h-[7.5rem]",
    before: "h-8 opacity-60",
    last: "h-12",
    say: "h-9 line-clamp-2 text-xs",
  },
  medium: {
    card: "h-[10rem]",
    before: "h-[45%] opacity-60",
    last: "h-[90%]",
    say: "line-clamp-2 min-h-9 text-sm",
  },
  large: {
    card: "h-[13.6rem]",
    before: "h-[45%] opacity-60",
    last: "h-[95%]",
    say: "line-clamp-3 min-h-[3.75rem] text-sm",
  },
};

export function ChildCard({
  size = "small",
  child,
  lines,
  picked,
  onPick,
}: {
  size?: CardSize;
  child: ChildOut;
  lines: readonly Line[];
  picked: boolean;
  onPick: () => void;
}) {
  const { who, newest, going, silent } = child;
  const last = newest.at(-1);
  const look = CARDS[size];
  return (
    <li>
      <button
        type="button"
        aria-pressed={picked}
        onClick={onPick}
        className={`flex w-full flex-col ${look.card} rounded-md border-2 bg-leaf px-2 py-1 text-left hover:border-rule-deep aria-pressed:border-ink ${going === "stuck" ? "border-ember" : "border-crease"} ${going === "away" ? "opacity-65" : ""}`}
      >
        <span className="flex w-full items-center gap-1.5 text-sm leading-none">
          {who.tile ? <Tile name={who.tile} className="size-6" /> : null}
          <span className="min-w-0 flex-1 truncate font-medium">{who.name}</span>
          {silent ? (
            <span title="The pad is silent">
              <WifiOff aria-hidden size={16} className="text-soft" />
              <span className="sr-only">the pad is silent</span>
            </span>
          ) : null}
          <GoingMark going={going} />
        </span>
        <span className="flex min-h-0 w-full flex-1 items-end gap-1 overflow-hidden">
          {newest.slice(0, -1).map((one) => (
            <WorkPicture key={one.id} work={one} lines={lines} className={look.before} />
          ))}
          {last ? <WorkPicture work={last} lines={lines} className={look.last} /> : null}
        </span>
        <span
          title={last?.say ?? undefined}
          className={`w-full leading-tight text-soft ${look.say}`}
        >
          {last && last.to_mend.length > 0 ? last.say : ""}
        </span>
      </button>
    </li>
  );
}
