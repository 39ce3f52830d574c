/** Plan, words: chains that change one sound at a time, missing pairs, the teacher's own words, and how any are
 * asked for. */
import { useState } from "react";

import { Choice } from "../../ui/Choice";
import { Chains } from "./Chains";
import { MissingPairs } from "./MissingPairs";
import { OwnWords } from "./OwnWords";
import { Prompts } from "./Prompts";

const LETTERS = [
  { value: "taught", label: "Taught letters" },
  { value: "all", label: "All letters" },
] as const;

export function WordsDesk() {
  const [letters, setLetters] = useState<(typeof LETTERS)[number]["value"]>("taught");
  const all = letters === "all";
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-4 px-5 py-3">
      <header className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <h1 className="text-xl font-bold">Words</h1>
        <Choice label="Made of" value={letters} options={LETTERS} onChange={setLetters} />
      </header>
      <div className="grid min-h-0 flex-1 grid-cols-1 gap-6 max-lg:overflow-y-auto lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1.2fr)_minmax(0,1fr)]">
        <Chains allLetters={all} />
        <MissingPairs allLetters={all} />
        <div className="flex flex-col gap-6 lg:-m-1 lg:min-h-0 lg:overflow-y-auto lg:p-1">
          <OwnWords />
          <Prompts />
        </div>
      </div>
    </div>
  );
}
