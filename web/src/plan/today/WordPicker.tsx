/** Words for what is new, by where it stands in them, each with its sounds and its families. */
import { useState } from "react";

import type { PickedOut as PickedWord, WordRow } from "../../api/schema";
import { usePicker } from "../../api/wordQueries";
import { Loading, ProblemNote } from "../../ui/states";
import { Tick } from "../../ui/Tick";
import { SoundWord } from "../../ui/SoundWord";
import { FamilyLegend, type FamilyNumbers, FamilyWord, numbered } from "./FamilyWord";

const PLACES: Record<WordRow["where"], string> = {
  first: "at the start",
  inside: "inside",
  last: "at the end",
  doubled: "doubled",
};

export function WordPicker({
  part,
  chosen,
  onTake,
}: {
  part: string;
  chosen: string[];
  onTake: (word: string) => void;
}) {
  const [wider, setWider] = useState(false);
  const [byFamily, setByFamily] = useState(false);
  const rows = usePicker(part, wider ? 1 : 0);
  if (rows.isPending) return <Loading what="words" />;
  if (rows.isError) return <ProblemNote error={rows.error} />;
  const numbers = byFamily ? numbered(rows.data.flatMap(({ words }) => words)) : null;
  return (
    <div className="flex flex-col gap-2 rounded-lg border-2 border-crease bg-leaf p-3">
      <Tick
        label="Also words with one letter that is not taught"
        checked={wider}
        onChange={setWider}
      />
      <Tick label="Words as their families" checked={byFamily} onChange={setByFamily} />
      {numbers && <FamilyLegend numbers={numbers} />}
      {rows.data
        .filter(({ count }) => count > 0)
        .map(({ where, count, words }) => (
          <section key={where} aria-label={`${part} ${PLACES[where]}`}>
            <h3 className="text-sm text-soft">
              {part} {PLACES[where]}: {count}
            </h3>
            <ul className="flex max-h-32 flex-wrap gap-x-1 overflow-y-auto">
              {words.map((picked) => (
                <li key={picked.word.text}>
                  <WordButton
                    picked={picked}
                    part={part}
                    numbers={numbers}
                    on={chosen.includes(picked.word.text)}
                    onTake={onTake}
                  />
                </li>
              ))}
            </ul>
          </section>
        ))}
    </div>
  );
}

function WordButton({
  picked,
  part,
  numbers,
  on,
  onTake,
}: {
  picked: PickedWord;
  part: string;
  /** With these the word is shown as its families, without as its sounds. */
  numbers: FamilyNumbers | null;
  on: boolean;
  onTake: (word: string) => void;
}) {
  const { word, families, untaught } = picked;
  const chain = Array.from(word.text)
    .map((letter, at) => `${letter}: ${families[at] ?? ""}`)
    .join("\n");
  return (
    <button
      type="button"
      aria-pressed={on}
      aria-label={untaught.length > 0 ? `${word.text}, needs ${untaught.join(", ")}` : word.text}
      title={chain}
      onClick={() => {
        onTake(word.text);
      }}
      className="rounded-md border-2 border-transparent px-1.5 py-0.5 hover:border-rule-deep aria-pressed:border-ink aria-pressed:bg-rule-wash"
    >
      {numbers ? (
        <FamilyWord picked={picked} numbers={numbers} />
      ) : (
        <SoundWord word={word} lit={part} />
      )}
      {untaught.length > 0 && <span className="ml-1 text-sm text-ember">needs {untaught}</span>}
    </button>
  );
}
