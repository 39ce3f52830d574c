/** How each ruled line looks: as on some schools' paper, or line by line; always by its picture. */
import type { LinesPreset, RulingLine as Line, StyleIn } from "../../api/schema";
import { viewBoxOf, viewOf } from "../../ink/geometry";
import { RuledLines } from "../../ink/RuledLines";
import { Choice } from "../../ui/Choice";
import { LINE_NAMES } from "./LineNames";

type Looks = NonNullable<StyleIn["looks"]>;
type Look = NonNullable<Looks[keyof Looks]>;

const LOOKS: readonly { value: Look; name: string }[] = [
  { value: "solid", name: "solid" },
  { value: "dashed", name: "broken" },
  { value: "coloured", name: "in colour" },
];

export function LineLooks({
  presets,
  lines,
  looks,
  onChange,
}: {
  presets: readonly LinesPreset[];
  lines: readonly Line[];
  looks: Looks;
  onChange: (looks: Looks) => void;
}) {
  const chosen = presets.find((preset) => same(preset.lines, lines))?.name;
  return (
    <div className="flex flex-col gap-2">
      <Choice
        label="Looks of the lines"
        small
        value={chosen}
        onChange={(name) => {
          onChange(presets.find((preset) => preset.name === name)?.looks ?? {});
        }}
        options={presets.map(({ name, lines: drawn }) => ({
          value: name,
          name,
          label: <Sample lines={drawn} />,
        }))}
      />
      <details open={chosen === undefined}>
        <summary className="min-h-9 cursor-pointer content-center text-soft">Line by line</summary>
        <ul className="flex flex-col gap-1">
          {lines
            .filter(({ look }) => look !== "hidden")
            .map((line) => (
              <li key={line.name} className="flex items-center gap-3">
                <span className="w-24">{LINE_NAMES[line.name]}</span>
                <Choice
                  label={LINE_NAMES[line.name]}
                  small
                  value={LOOKS.find(({ value }) => value === line.look)?.value}
                  onChange={(look) => {
                    onChange({ ...looks, [line.name]: look });
                  }}
                  options={LOOKS.map(({ value, name }) => ({
                    value,
                    name: `${LINE_NAMES[line.name]} ${name}`,
                    label: <OneLine line={{ ...line, look: value }} />,
                  }))}
                />
              </li>
            ))}
        </ul>
      </details>
    </div>
  );
}

/** What is seen is compared: of the lines that a ruling has not, a preset says nothing. */
function same(some: readonly Line[], others: readonly Line[]): boolean {
  return some.every(({ look }, at) => look === others[at]?.look);
}

function Sample({ lines }: { lines: readonly Line[] }) {
  const view = viewOf(lines, { left: 0, right: 3, bottom: 0, top: 1 }, 0);
  return (
    <svg viewBox={viewBoxOf(view)} className="h-12 w-auto" aria-hidden>
      <RuledLines lines={lines} />
    </svg>
  );
}

function OneLine({ line }: { line: Line }) {
  return (
    <svg viewBox="0 -0.5 3 1" className="h-5 w-14" aria-hidden>
      <RuledLines lines={[{ ...line, y: 0 }]} />
    </svg>
  );
}
