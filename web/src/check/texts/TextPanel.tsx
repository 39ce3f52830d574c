/** One text taken up: large, letter by letter, with what was seen and the teacher's word. */
import { Check, Undo2 } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";

import type {
  FindingInText,
  LetterInText,
  RulingLine as Line,
  TextOut as Text,
} from "../../api/schema";
import { useJudgeText, useWithdrawTextJudgement } from "../../api/textQueries";
import { Unjudged } from "../../ui/Unjudged";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/states";
import { useShortcuts } from "../../ui/useShortcuts";
import { DIMENSIONS, VerdictMark } from "../../ui/VerdictMark";
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

export function TextPanel({
  text,
  lines,
  next,
}: {
  text: Text;
  lines: readonly Line[];
  next: () => void;
}) {
  const [place, setPlace] = useState(() => Math.max(0, firstToMend(text)));
  const go = (by: number) => {
    setPlace(Math.min(text.letters.length - 1, Math.max(0, place + by)));
  };
  const judge = useJudgeText();
  const withdraw = useWithdrawTextJudgement();
  const params = { path: { text_id: text.id } };
  const agree = () => {
    judge.mutate({ params, body: { note: text.judgement?.note ?? "" } });
    next();
  };
  useShortcuts({
    ArrowRight: () => {
      go(1);
    },
    ArrowLeft: () => {
      go(-1);
    },
    a: agree,
  });
  const letter = text.letters[place];
  const own = text.findings.filter(({ code }) => !isOfALetter(code, text));
  return (
    <article
      aria-label={`${text.target} by ${text.pupil.name}`}
      className="flex flex-col gap-3 border-b-2 border-rule pb-4"
    >
      <header className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1">
        <h1 className="text-xl font-bold">
          {text.pupil.name}: <span className="font-normal text-soft">{KIND_WORDS[text.kind]}</span>{" "}
          {text.target}
        </h1>
        <p className="flex items-center gap-3 text-soft">
          reads as “{text.reads_as}”
          <span className="flex">
            {DIMENSIONS.map(({ key, name }) => (
              <VerdictMark key={key} verdict={text.held[key]} label={name} />
            ))}
          </span>
        </p>
      </header>
      <TextInk
        text={text}
        lines={lines}
        chosen={place}
        onChoose={setPlace}
        label={`${text.target} by ${text.pupil.name}, large`}
        className="max-h-64 w-full rounded-lg border-2 border-crease bg-leaf"
      />
      <div className="grid gap-x-8 gap-y-3 md:grid-cols-2">
        <div className="flex flex-col gap-2">
          {text.judged ? (
            <p className="border-l-4 border-ink pl-3 text-xl" data-testid="say">
              “{text.say}”
              {text.put_right ? (
                <span className="block text-base text-soft">{text.put_right}</span>
              ) : null}
            </p>
          ) : (
            <Unjudged />
          )}
          <Findings
            label="Seen in the whole"
            findings={own}
            none="The whole stands well: spaces, sizes and line."
          />
          {text.row ? <p className="text-soft">{rowWords(text)}</p> : null}
          {text.marks.length > 0 ? <p className="text-soft">{marksWords(text)}</p> : null}
        </div>
        {letter ? <OneLetter letter={letter} text={text} /> : null}
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <Button look="main" onClick={agree} aria-keyshortcuts="a">
          <Check aria-hidden size={20} /> I agree
        </Button>
        {text.judgement ? (
          <Button
            onClick={() => {
              withdraw.mutate({ params });
            }}
          >
            <Undo2 aria-hidden size={18} /> Take my word back
          </Button>
        ) : null}
        <p className="text-sm text-soft">
          Keys: ← → from letter to letter · ↑ ↓ from child to child · A agree
        </p>
      </div>
      {(judge.error ?? withdraw.error) ? (
        <ProblemNote error={judge.error ?? withdraw.error} />
      ) : null}
    </article>
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
