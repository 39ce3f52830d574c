/** A row of a sheet: what is written, how much of it is there already, on how many lines. */
import { ArrowDown, ArrowUp, Minus, Plus, X } from "lucide-react";

import type { SheetRow } from "../../api/schema";
import { EditableText } from "../../ui/EditableText";
import { Pick } from "../../ui/Pick";
import { Tick } from "../../ui/Tick";
import { TilePick } from "../../ui/TilePick";
import { Tool } from "../../ui/Tool";
import { MODES, MOST_LINES } from "./rows";

const NOBODY = new Map<string, string>();

export function RowEditor({
  number,
  row,
  onChange,
  onMove,
  onRemove,
}: {
  number: number;
  row: SheetRow;
  onChange: (part: Partial<SheetRow>) => void;
  onMove: (step: -1 | 1) => void;
  onRemove: () => void;
}) {
  const { lines } = row;
  return (
    <li
      aria-label={`Row ${String(number)}`}
      className="rounded-md border-2 border-crease bg-leaf px-2 py-1"
    >
      <div className="flex flex-wrap items-center gap-x-1">
        <EditableText
          label={`What is written in row ${String(number)}`}
          value={row.text}
          longest={120}
          onChange={(text) => {
            onChange({ text });
          }}
          className="min-h-9 min-w-14 flex-1 text-lg"
        />
        <Pick
          label={`How row ${String(number)} is written`}
          value={row.mode}
          options={MODES}
          onChange={(mode) => {
            onChange({ mode });
          }}
        />
        <span className="inline-flex items-center" role="group" aria-label="Lines">
          <Tool
            name={`A line fewer in row ${String(number)}`}
            onClick={() => {
              onChange({ lines: Math.max(1, lines - 1) });
            }}
          >
            <Minus aria-hidden size={16} />
          </Tool>
          <span className="text-sm whitespace-nowrap">
            {lines === 1 ? "1 line" : `${String(lines)} lines`}
          </span>
          <Tool
            name={`A line more in row ${String(number)}`}
            onClick={() => {
              onChange({ lines: Math.min(MOST_LINES, lines + 1) });
            }}
          >
            <Plus aria-hidden size={16} />
          </Tool>
        </span>
        <Tool
          name={`Row ${String(number)} up`}
          onClick={() => {
            onMove(-1);
          }}
        >
          <ArrowUp aria-hidden size={18} />
        </Tool>
        <Tool
          name={`Row ${String(number)} down`}
          onClick={() => {
            onMove(1);
          }}
        >
          <ArrowDown aria-hidden size={18} />
        </Tool>
        <Tool name={`Take row ${String(number)} out`} onClick={onRemove}>
          <X aria-hidden size={18} />
        </Tool>
      </div>
      {row.mode === "recall" ? (
        <div className="flex items-center gap-3">
          <Tick
            label="a box a sound"
            checked={row.boxes === "sounds"}
            onChange={(wanted) => {
              onChange({ boxes: wanted ? "sounds" : null });
            }}
          />
          <TilePick
            label={`The picture beside row ${String(number)}`}
            value={row.picture ?? null}
            owners={NOBODY}
            onChoose={(picture) => {
              onChange({ picture });
            }}
          />
        </div>
      ) : null}
    </li>
  );
}
