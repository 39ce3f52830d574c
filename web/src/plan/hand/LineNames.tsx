/** What the school calls its lines: said in every phrase and every word on a letter. */
import type { RulingLine as Line, StyleIn } from "../../api/schema";

type Names = NonNullable<StyleIn["names"]>;

export const LINE_NAMES: Record<Line["name"], string> = {
  top: "Top line",
  mid: "Mid line",
  base: "Base line",
  drop: "Drop line",
};
const LONGEST = 24;

export function LineNames({
  lines,
  names,
  onChange,
}: {
  lines: readonly Line[];
  names: Names;
  onChange: (names: Names) => void;
}) {
  const change = (line: Line["name"], name: string) => {
    const others = Object.entries(names).filter(([one]) => one !== line);
    onChange(Object.fromEntries(name ? [...others, [line, name]] : others));
  };
  return (
    <details open={Object.keys(names).length > 0}>
      <summary className="min-h-9 cursor-pointer content-center text-soft">
        What you call the lines
      </summary>
      <ul className="flex flex-col gap-1">
        {lines
          .filter(({ look }) => look !== "hidden")
          .map(({ name }) => (
            <li key={name}>
              <label className="flex items-center gap-3">
                <span className="w-24">{LINE_NAMES[name]}</span>
                <span className="text-soft">the</span>
                <input
                  aria-label={`What you call the ${LINE_NAMES[name].toLowerCase()}`}
                  value={names[name] ?? ""}
                  placeholder={LINE_NAMES[name].toLowerCase()}
                  maxLength={LONGEST}
                  onChange={(event) => {
                    change(name, event.target.value.trimStart());
                  }}
                  className="min-h-9 w-48 rounded-md border-2 border-crease bg-leaf px-2"
                />
              </label>
            </li>
          ))}
      </ul>
    </details>
  );
}
