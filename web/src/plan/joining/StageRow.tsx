/** One stage: whether it is taught, its letters or pairs as they are written, why it stands here. */
import { ArrowDown, ArrowUp, X } from "lucide-react";
import { Link } from "react-router";

import { useClassroom } from "../../api/queries";
import type { StageOut as Stage } from "../../api/schema";
import { EditableText } from "../../ui/EditableText";
import { SmallPicture } from "../../ui/SmallPicture";
import { Tick } from "../../ui/Tick";
import { Tool } from "../../ui/Tool";

export function StageRow({
  at,
  stage,
  onTaught,
  onMove,
  onParts,
  onRemove,
}: {
  at: number;
  stage: Stage;
  onTaught: (taught: boolean) => void;
  onMove: (by: number) => void;
  onParts: (text: string) => void;
  onRemove: () => void;
}) {
  const lines = useClassroom().data?.lines ?? [];
  const name = stage.parts.join(" ");
  return (
    <li
      aria-label={`Stage ${String(at + 1)}: ${name}`}
      className={`flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-1 ${stage.done ? "text-soft" : ""}`}
    >
      <span className="w-6 text-right text-sm text-soft">{at + 1}</span>
      <Tick label={`${name} is taught`} hidden checked={stage.done} onChange={onTaught} />
      <div className="flex min-h-14 shrink-0 flex-wrap gap-1.5 md:w-[26rem]">
        {stage.pictures.map((picture) => (
          <SmallPicture
            key={picture.text}
            picture={picture}
            lines={lines}
            className="h-14 rounded-md bg-leaf"
          />
        ))}
      </div>
      <div className="min-w-48 flex-1 leading-tight">
        <EditableText
          label={`Letters or pairs of stage ${String(at + 1)}`}
          value={name}
          className="font-bold"
          onChange={onParts}
        />
        <p className="text-sm text-soft">
          {stage.why || (stage.joins ? "joins" : "letters alone")}
        </p>
      </div>
      <div className="flex shrink-0 items-center">
        {stage.done ? null : (
          <Link
            to={`/plan/today?new=${encodeURIComponent(name)}`}
            className="inline-flex min-h-9 items-center px-2 text-sm font-medium underline underline-offset-4"
          >
            Plan a lesson
          </Link>
        )}
        <Tool
          name={`Stage ${String(at + 1)} up`}
          onClick={() => {
            onMove(-1);
          }}
        >
          <ArrowUp aria-hidden size={18} />
        </Tool>
        <Tool
          name={`Stage ${String(at + 1)} down`}
          onClick={() => {
            onMove(1);
          }}
        >
          <ArrowDown aria-hidden size={18} />
        </Tool>
        <Tool name={`Leave out stage ${String(at + 1)}`} onClick={onRemove}>
          <X aria-hidden size={18} />
        </Tool>
      </div>
    </li>
  );
}
