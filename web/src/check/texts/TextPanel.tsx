/** One text taken up: large, letter by letter, with what was seen and the teacher's word. */
import { useState } from "react";
import { Link } from "react-router";

import { useClassroom } from "../../api/queries";
import type { FindingInText, LetterInText, TextOut as Text } from "../../api/schema";
import { useWordsOnText } from "../../api/tableQueries";
import { Hers } from "../../ui/Hers";
import { Unjudged } from "../../ui/Unjudged";
import { useShortcuts } from "../../ui/useShortcuts";
import { DIMENSIONS, VerdictMark } from "../../ui/VerdictMark";
import { FindingList } from "../FindingList";
import { Others } from "../LetterPanel";
import type { Words } from "../useWords";
import { Key, WordOn } from "../WordOn";
import { TextInk } from "./TextInk";

const KIND_WORDS: Record<Text["kind"], string> = {
  letter: "letter",
  row: "row of",
  sequence: "letters",
  word: "word",
  phrase: "phrase",
  sentence: "sentence",
  free: "free writing",
};

export function TextPanel({ text, words }: { text: Text; words: Words }) {
  const lines = useClassroom().data?.lines ?? [];
  const [place, setPlace] = useState(() => Math.max(0, firstToMend(text)));
  const thing = { kind: "text", text } as const;
  const said = useWordsOnText(text.id);
  const go = (by: number) => {
    setPlace(Math.min(text.letters.length - 1, Math.max(0, place + by)));
  };
  useShortcuts({
    ".": () => {
      go(1);
    },
    ",": () => {
      go(-1);
    },
  });
  const letter = text.letters[place];
  const own = text.findings.filter(({ code }) => !isOfALetter(code, text));
  return (
    <>
      <header className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1">
        <h1 className="text-xl font-bold">
          {text.pupil.name}: <span className="font-normal text-soft">{KIND_WORDS[text.kind]}</span>{" "}
          {text.target}
        </h1>
        <p className="text-soft">reads as “{text.reads_as}”</p>
      </header>
      <TextInk
        text={text}
        lines={lines}
        chosen={place}
        onChoose={setPlace}
        label={`${text.target} by ${text.pupil.name}, large`}
        className="max-h-64 w-full shrink-0 rounded-lg border-2 border-crease bg-leaf"
      />
      {text.judged ? (
        text.say ? (
          <p className="border-l-4 border-ink pl-3 text-xl" data-testid="say">
            “{text.say}”
            {text.put_right ? (
              <span className="block text-base text-soft">{text.put_right}</span>
            ) : null}
          </p>
        ) : null
      ) : (
        <Unjudged />
      )}
      <FindingList
        label="Seen in the whole"
        thing={thing}
        findings={own}
        words={words}
        none="The whole stands well: spaces, sizes and line."
      />
      {text.row ? <p className="text-soft">{rowWords(text)}</p> : null}
      {text.marks.length > 0 ? <p className="text-soft">{marksWords(text)}</p> : null}
      {letter ? <OneLetter letter={letter} text={text} /> : null}
      <Others words={said.data ?? []} />
      <Hers>
        <WordOn thing={thing} words={words} />
      </Hers>
    </>
  );
}

function OneLetter({ letter, text }: { letter: LetterInText; text: Text }) {
  const [number, name] = [letter.index + 1, letter.target ?? "one too many"];
  const title = text.kind === "row" ? `Number ${number}` : `The ${name}`;
  const read = letter.reads_as ?? "no letter";
  return (
    <section aria-label="The letter" aria-live="polite" className="flex flex-col gap-2">
      <h2 className="flex flex-wrap items-center gap-x-3 text-lg font-bold">
        {title}
        {letter.target !== null && letter.reads_as !== letter.target && !letter.struck ? (
          <span className="font-normal text-soft">reads as {read}</span>
        ) : null}
        <span className="flex">
          {letter.struck
            ? null
            : DIMENSIONS.map(({ key, name }) => (
                <VerdictMark key={key} verdict={letter.verdict[key]} label={name} />
              ))}
        </span>
        <span className="ml-auto text-sm font-normal text-soft max-sm:hidden">
          letter by letter <Key>,</Key> <Key>.</Key>
        </span>
      </h2>
      {letter.struck ? (
        <p className="text-soft">Struck out, and written again: as it should be.</p>
      ) : (
        <Findings
          label="Seen in the letter"
          findings={letter.findings}
          none="Nothing to mend was seen in it."
        />
      )}
      {letter.attempt_id !== null && letter.target !== null ? (
        <Link
          to={`/check/${encodeURIComponent(letter.target)}?pupil=${text.pupil.id}`}
          className="self-start underline underline-offset-4"
        >
          All {letter.target} by {text.pupil.name}
        </Link>
      ) : null}
    </section>
  );
}

function Findings({
  label,
  findings,
  none,
}: {
  label: string;
  findings: readonly FindingInText[];
  none: string;
}) {
  if (findings.length === 0) return <p className="text-soft">{none}</p>;
  return (
    <ul aria-label={label} className="flex flex-col gap-1.5">
      {findings.map((finding, at) => (
        <li key={at} className="flex gap-2" data-code={finding.code}>
          <VerdictMark verdict={finding.severity} label={finding.dimension} />
          <span>{finding.note}</span>
        </li>
      ))}
    </ul>
  );
}

/** The first letter that there is something to mend in, or that a finding of the whole is about. */
function firstToMend(text: Text): number {
  const index = text.findings.find(({ severity }) => severity === "not_yet")?.index;
  return text.letters.findIndex((letter) => !letter.struck && letter.index === index);
}

function isOfALetter(code: FindingInText["code"], text: Text): boolean {
  return text.letters.some((letter) => letter.findings.some((finding) => finding.code === code));
}

/** For the teacher only: a row that gets worse is a hand that tires. */
function rowWords({ row }: Text): string {
  if (!row) return "";
  const best = [row.written, `The best is number ${row.best + 1}.`].filter(Boolean).join(" ");
  if (Math.abs(row.change) < 0.5) return best;
  return row.change > 0
    ? `${best} The row gets better on its way.`
    : `${best} The row gets worse on its way: the hand may be tired.`;
}

function marksWords({ marks }: Text): string {
  const struck = marks.filter(({ kind }) => kind === "strike").length;
  const others = marks.length - struck;
  const parts = [
    struck > 0 ? `${struck} struck out` : "",
    others > 0 ? `${others} own ${others === 1 ? "mark" : "marks"} set aside` : "",
  ];
  return `${parts.filter(Boolean).join(", ")}.`;
}
