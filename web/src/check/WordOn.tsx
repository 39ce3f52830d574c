/** The teacher's word: agreed in one press, or otherwise by verdict, by finding, in her own advice. */
import { Check, Hand, Undo2 } from "lucide-react";
import { type ReactNode, useRef, useState } from "react";

import type { CodeOut, JudgementIn, JudgementOut, Verdict } from "../api/schema";
import { type Thing, useCodes } from "../api/tableQueries";
import { Button } from "../ui/Button";
import { Choice } from "../ui/Choice";
import { Pick } from "../ui/Pick";
import { useShortcuts } from "../ui/useShortcuts";
import { DIMENSIONS, VERDICT_NAMES, VerdictMark } from "../ui/VerdictMark";
import { type Name, nextVerdict, PLAIN, withFinding, withVerdict, wordOf } from "./desk";
import type { Words } from "./useWords";

const CHOICES: readonly Verdict[] = ["secure", "nearly", "not_yet"];
const ASPECTS = [
  { key: "spacing", name: "Spacing" },
  { key: "line", name: "Line" },
  { key: "joins", name: "Joins" },
] as const;

export function WordOn({ thing, words }: { thing: Thing; words: Words }) {
  const codes = useCodes().data ?? [];
  const judgement = thing.kind === "text" ? thing.text.judgement : thing.attempt.judgement;
  const word = wordOf(judgement);
  const name = thing.kind === "text" ? thing.text.pupil.name : thing.attempt.pupil.name;
  const held: Record<string, Verdict> =
    thing.kind === "text" ? { ...thing.text.held, ...thing.text.aspects } : thing.attempt.held;
  const rows = thing.kind === "text" ? [...DIMENSIONS, ...ASPECTS] : DIMENSIONS;
  const agree = () => {
    words.say(thing, { ...PLAIN, note: word.note }, `You agreed: ${name}.`, true);
  };
  const setAside = () => {
    words.say(thing, { ...words.wordOn(thing), set_aside: true }, `Set aside: ${name}.`, true);
  };
  const grade = (key: Name, verdict: Verdict) => {
    const told = `${name}: ${key} ${VERDICT_NAMES[verdict]}.`;
    words.say(thing, withVerdict(words.wordOn(thing), key, verdict, codes), told);
  };
  const cycle = (key: Name) => {
    grade(key, nextVerdict(words.wordOn(thing)[key] ?? held[key] ?? "unseen"));
  };
  useShortcuts({
    a: agree,
    Enter: agree,
    s: setAside,
    q: () => {
      cycle("direction");
    },
    w: () => {
      cycle("size");
    },
    e: () => {
      cycle("shape");
    },
  });
  return (
    <div className="flex flex-col gap-2.5 border-t-2 border-crease pt-2.5">
      <div className="flex flex-wrap gap-2 max-lg:sticky max-lg:bottom-0 max-lg:z-10 max-lg:bg-paper max-lg:py-2">
        <Button look="main" onClick={agree} aria-keyshortcuts="a Enter">
          <Check aria-hidden size={20} /> I agree
        </Button>
        <Button onClick={setAside} aria-keyshortcuts="s" title="A scribble, another child's name">
          <Hand aria-hidden size={18} /> Nobody’s letter
        </Button>
        {judgement ? (
          <Button
            onClick={() => {
              words.say(thing, null, `Taken back: ${name}.`);
            }}
          >
            <Undo2 aria-hidden size={18} /> Take my word back
          </Button>
        ) : null}
      </div>
      <Said judgement={judgement} />
      <div className="grid gap-x-1 gap-y-1.5 sm:grid-cols-3">
        {rows.map(({ key, name: label }, at) =>
          held[key] === undefined || (thing.kind === "text" && held[key] === "unseen") ? null : (
            <div
              key={key}
              className="flex flex-col max-sm:flex-row max-sm:items-center max-sm:justify-between"
            >
              <span className="text-sm text-soft">
                {label}
                {at < DIMENSIONS.length ? <Key>{"QWE"[at]}</Key> : null}
              </span>
              <Choice
                small
                label={label}
                value={held[key]}
                options={CHOICES.map((verdict) => ({
                  value: verdict,
                  name: VERDICT_NAMES[verdict],
                  label: <VerdictMark verdict={verdict} label={label} />,
                }))}
                onChange={(verdict) => {
                  grade(key, verdict);
                }}
              />
            </div>
          ),
        )}
      </div>
      <Advice thing={thing} word={word} words={words} />
      <Missed
        codes={codes.filter(({ of_texts }) => thing.kind === "text" || !of_texts)}
        add={(code) => {
          words.say(
            thing,
            withFinding(words.wordOn(thing), code, "missed"),
            `${name}: ${code.name}.`,
          );
        }}
      />
    </div>
  );
}

export function Key({ children }: { children: ReactNode }) {
  return (
    <kbd
      aria-hidden
      className="ml-1 rounded border border-crease bg-paper px-1 font-sans text-xs text-soft max-sm:hidden"
    >
      {children}
    </kbd>
  );
}

function Said({ judgement }: { judgement: JudgementOut | null }) {
  if (!judgement) return null;
  const by = judgement.author ? ` (${judgement.author})` : "";
  if (judgement.set_aside) return <p className="text-soft">Set aside{by}: it counts nowhere.</p>;
  const many = judgement.how === "many" ? ", with others of its kind" : "";
  return <p className="text-soft">{`Judged${by}${many}.`}</p>;
}

/** What the child hears the next time it writes this, in her words. */
function Advice({ thing, word, words }: { thing: Thing; word: JudgementIn; words: Words }) {
  // What is typed stays while other words on the same thing come back from the server.
  const [say, setSay] = useState<string>();
  const [note, setNote] = useState<string>();
  const field = useRef<HTMLInputElement>(null);
  useShortcuts({
    r: () => {
      field.current?.focus();
    },
  });
  const keep = (goOn: boolean) => {
    if (say === undefined && note === undefined) return;
    const before = words.wordOn(thing);
    const kept = { ...before, say: say ?? before.say, note: note ?? before.note };
    words.say(thing, kept, "Your words are kept.", goOn);
    setSay(undefined);
    setNote(undefined);
  };
  return (
    <form
      className="flex flex-col gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        keep(true);
      }}
    >
      <label className="flex flex-col">
        <span className="text-soft">
          Say it in my words <Key>R</Key>
        </span>
        <input
          ref={field}
          value={say ?? word.say}
          maxLength={160}
          placeholder={thing.kind === "text" ? thing.text.say : thing.attempt.say}
          onChange={(event) => {
            setSay(event.target.value);
          }}
          onBlur={() => {
            keep(false);
          }}
          className="min-h-10 rounded-md border-2 border-crease bg-leaf px-2 placeholder:text-soft"
        />
      </label>
      <label className="flex flex-col">
        <span className="text-soft">A note for yourself</span>
        <input
          value={note ?? word.note}
          onChange={(event) => {
            setNote(event.target.value);
          }}
          onBlur={() => {
            keep(false);
          }}
          className="min-h-10 rounded-md border-2 border-crease bg-leaf px-2"
        />
      </label>
      <button type="submit" className="sr-only">
        Keep these words
      </button>
    </form>
  );
}

function Missed({ codes, add }: { codes: readonly CodeOut[]; add: (code: CodeOut) => void }) {
  const [asked, setAsked] = useState(0);
  return (
    <Pick
      key={asked}
      quiet
      label="Something else is there"
      value="none"
      options={[
        { value: "none", label: "Something else is there …" },
        ...codes.map(({ code, name }) => ({ value: code, label: name })),
      ]}
      onChange={(chosen) => {
        const code = codes.find((one) => one.code === chosen);
        setAsked(asked + 1);
        if (code) add(code);
      }}
    />
  );
}
