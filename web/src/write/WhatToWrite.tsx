/** What is to be written: one letter, a row, a word, a sentence; and which. */
import { useState } from "react";
import { useNavigate } from "react-router";

import { Choice } from "../ui/Choice";

export interface Written {
  kind: "row" | "word" | "sentence";
  target: string;
}

const KINDS = [
  { value: "letter", label: "One letter" },
  { value: "row", label: "A row" },
  { value: "word", label: "A word" },
  { value: "sentence", label: "A sentence" },
] as const;

type Kind = (typeof KINDS)[number]["value"];

/** Goes between the pad for one letter and the long line. */
export function KindChoice({
  kind,
  onChoose,
}: {
  kind: Kind;
  onChoose?: (kind: Written["kind"]) => void;
}) {
  const navigate = useNavigate();
  return (
    <Choice
      label="What to write"
      value={kind}
      options={KINDS}
      onChange={(chosen) => {
        if (chosen === "letter") void navigate("/write/letter");
        else if (onChoose) onChoose(chosen);
        else void navigate(`/write/text?kind=${chosen}`);
      }}
    />
  );
}

export function WhatToWrite({
  kind,
  target,
  words,
  onAsk,
}: Written & { words: readonly string[]; onAsk: (next: Written) => void }) {
  const [typed, setTyped] = useState(target);
  const ask = () => {
    const next = kind === "row" ? typed.trim().slice(0, 1) : typed.trim().replace(/\s+/g, " ");
    setTyped(next || target);
    if (next && next !== target) onAsk({ kind, target: next });
  };
  return (
    <>
      <KindChoice
        kind={kind}
        onChoose={(chosen) => {
          onAsk({ kind: chosen, target });
        }}
      />
      <label className="flex min-w-0 flex-1 items-center gap-2">
        <span className="sr-only">{kind === "row" ? "Letter of the row" : "What to write"}</span>
        <input
          value={typed}
          list={kind === "word" ? "todays-words" : undefined}
          placeholder={kind === "sentence" ? "A sentence" : "type it"}
          maxLength={kind === "row" ? 1 : 80}
          onChange={(event) => {
            setTyped(event.target.value);
          }}
          onBlur={ask}
          onKeyDown={(event) => {
            if (event.key === "Enter") event.currentTarget.blur();
          }}
          className={`min-h-11 min-w-0 rounded-md border-2 border-crease bg-leaf px-3 text-lg ${kind === "sentence" ? "w-full" : kind === "row" ? "w-14 text-center" : "w-40"}`}
        />
        <datalist id="todays-words">
          {words.map((word) => (
            <option key={word} value={word} />
          ))}
        </datalist>
      </label>
    </>
  );
}
