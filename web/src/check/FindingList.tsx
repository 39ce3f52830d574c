/** What the checker saw, the most important first, with its limit; and whether she says it is so. */
import { X } from "lucide-react";

import type { CodeOut, FindingOut as Finding, JudgementOut } from "../api/schema";
import { type Thing, useCodes } from "../api/tableQueries";
import { Hers } from "../ui/Hers";
import { useShortcuts } from "../ui/useShortcuts";
import { VerdictMark } from "../ui/VerdictMark";
import { withFinding } from "./desk";
import type { Words } from "./useWords";
import { Key } from "./WordOn";

export function FindingList({
  thing,
  findings,
  words,
  none = "Nothing to mend was seen.",
  label = "What was seen",
}: {
  thing: Thing;
  findings: readonly Finding[];
  words: Words;
  none?: string;
  label?: string;
}) {
  const codes = useCodes().data ?? [];
  const judgement = thing.kind === "text" ? thing.text.judgement : thing.attempt.judgement;
  const added = codes.filter(({ code }) => judgement?.findings[code] === "missed");
  const say = (code: Finding["code"]) => {
    const about = codes.find((one) => one.code === code);
    if (!about) return;
    const word = words.wordOn(thing);
    const said = word.findings?.[code] === "not_so" ? "so" : "not_so";
    words.say(thing, withFinding(word, about, said), `${about.name}: ${said.replace("_", " ")}.`);
  };
  useShortcuts({
    x: () => {
      const first = findings[0];
      if (first) say(first.code);
    },
  });
  if (findings.length === 0 && added.length === 0) return <p className="text-soft">{none}</p>;
  return (
    <ul aria-label={label} className="flex flex-col gap-2">
      {findings.map((finding, at) => (
        <li key={at} className="flex items-start gap-2" data-code={finding.code}>
          <VerdictMark verdict={finding.severity} label={finding.dimension} />
          <span
            className={`min-w-0 flex-1 ${judgement?.findings[finding.code] === "not_so" ? "text-soft line-through" : ""}`}
          >
            {finding.note}{" "}
            <span className="text-sm whitespace-nowrap text-soft">{limitOf(finding)}</span>
          </span>
          <Hers told={false}>
            <NotSo
              word={judgement?.findings[finding.code]}
              isFirst={at === 0}
              change={() => {
                say(finding.code);
              }}
            />
          </Hers>
        </li>
      ))}
      {added.map((one) => (
        <Added key={one.code} code={one} thing={thing} words={words} />
      ))}
    </ul>
  );
}

function NotSo({
  word,
  isFirst,
  change,
}: {
  word: JudgementOut["findings"][string] | undefined;
  isFirst: boolean;
  change: () => void;
}) {
  return (
    <button
      type="button"
      aria-pressed={word === "not_so"}
      aria-keyshortcuts={isFirst ? "x" : undefined}
      onClick={change}
      className="inline-flex min-h-9 shrink-0 items-center gap-1 rounded-md border-2 border-crease bg-leaf px-2 text-sm hover:border-ink aria-pressed:border-ink aria-pressed:bg-rule-wash"
    >
      <X aria-hidden size={16} />
      not so
      {isFirst ? <Key>X</Key> : null}
    </button>
  );
}

function Added({ code, thing, words }: { code: CodeOut; thing: Thing; words: Words }) {
  return (
    <li className="flex items-start gap-2">
      <VerdictMark verdict="not_yet" label={code.dimension} />
      <span className="min-w-0 flex-1">
        {code.name} <span className="text-sm text-soft">you saw it</span>
      </span>
      <Hers told={false}>
        <button
          type="button"
          onClick={() => {
            const word = withFinding(words.wordOn(thing), code, "missed");
            const others = Object.entries(word.findings ?? {}).filter(([one]) => one !== code.code);
            const findings = Object.fromEntries(others);
            words.say(thing, { ...word, findings }, `${code.name}: taken out.`);
          }}
          className="min-h-9 shrink-0 rounded-md border-2 border-crease bg-leaf px-2 text-sm hover:border-ink"
        >
          take out
        </button>
      </Hers>
    </li>
  );
}

/** From where on it is to be mended: lengths in u are shares of the body height. */
function limitOf({ limit, unit }: Finding): string {
  return unit === "count" || unit === "margin" ? "" : `(to mend from ${Math.round(limit * 100)} %)`;
}
