/** What is on a sheet besides its rows, and how it is cut and shared out. */
import type { OwnSheetIn } from "../../api/schema";
import { Choice } from "../../ui/Choice";
import { Pick } from "../../ui/Pick";
import { Tick } from "../../ui/Tick";

const PAPERS = [
  { value: "A4", label: "A4" },
  { value: "Letter", label: "Letter" },
] as const;
const STRIPS = ["1", "2", "3", "4", "5", "6"].map((value) => ({
  value,
  label: value === "1" ? "whole pages" : `${value} strips, to be cut`,
}));
const COLOURS = ["1", "2", "3", "4"].map((value) => ({
  value,
  label: value === "1" ? "traced once" : `traced in ${value} colours`,
}));

const TICKS = [
  { name: "date_line", label: "A line for the date" },
  { name: "drawing_corner", label: "A corner to draw in" },
  { name: "left_handed", label: "Models on the right" },
  { name: "home", label: "What to say, for home" },
  { name: "week", label: "A row a day, to tick" },
] as const;

export function SheetOptions({
  sheet,
  onChange,
}: {
  sheet: OwnSheetIn;
  onChange: (part: Partial<OwnSheetIn>) => void;
}) {
  return (
    <div className="flex flex-col items-start gap-2">
      <div className="grid grid-cols-2 gap-x-4 gap-y-1.5 text-sm">
        {TICKS.map(({ name, label }) => (
          <Tick
            key={name}
            label={label}
            checked={sheet[name]}
            onChange={(wanted) => {
              onChange({ [name]: wanted });
            }}
          />
        ))}
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <Pick
          label="Whole pages or strips"
          value={String(sheet.strips)}
          options={STRIPS}
          onChange={(strips) => {
            onChange({ strips: Number(strips) });
          }}
        />
        <Pick
          label="In how many colours it is traced"
          value={String(sheet.colours)}
          options={COLOURS}
          onChange={(colours) => {
            onChange({ colours: Number(colours) });
          }}
        />
        <Choice
          small
          label="Paper"
          value={sheet.paper}
          options={PAPERS}
          onChange={(paper) => {
            onChange({ paper });
          }}
        />
      </div>
    </div>
  );
}
