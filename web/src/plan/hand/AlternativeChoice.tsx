/** The accepted ways of one letter, drawn, to pick one. */
import type { LetterAlternatives, RulingLine as Line } from "../../api/schema";
import { Choice } from "../../ui/Choice";
import { SmallPicture } from "../../ui/SmallPicture";

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
      options={ways.map(({ name, picture }) => ({
        value: name,
        name: `${letter}: ${name}`,
        label: <SmallPicture picture={picture} lines={lines} className="h-12" />,
      }))}
    />
  );
}
