/** The accepted ways of one letter, drawn, to pick one. */
import type { LetterAlternatives, RulingLine as Line } from "../../api/schema";
import { boxOf, viewBoxOf, viewOf } from "../../ink/geometry";
import { PenLine } from "../../ink/PenLine";
import { RuledLines } from "../../ink/RuledLines";
import { Choice } from "../../ui/Choice";

export function AlternativeChoice({
  letter,
  ways,
  lines,
  chosen,
  onChange,
}: {
  letter: string;
  ways: LetterAlternatives["ways"];
  lines: readonly Line[];
  chosen: string;
  onChange: (name: string) => void;
}) {
  return (
    <Choice
      label={`Ways to write ${letter}`}
      small
      value={chosen}
      onChange={onChange}
      options={ways.map(({ name, picture }) => {
        const view = viewOf(lines, boxOf(picture.strokes), 0.3);
        return {
          value: name,
          name: `${letter}: ${name}`,
          label: (
            <svg viewBox={viewBoxOf(view)} className="h-12 w-auto" aria-hidden>
              <RuledLines lines={lines} />
              {picture.strokes.map((points, at) => (
                <PenLine key={at} points={points} width={0.13} />
              ))}
            </svg>
          ),
        };
      })}
    />
  );
}
