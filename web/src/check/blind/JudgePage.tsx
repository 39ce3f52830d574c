/** A set judged blind: a letter on its lines, three verdicts, what one would name; nothing else. */
import { useState } from "react";
import { Link, useParams } from "react-router";

import type { BlindLetterOut, SeenIn, Verdict } from "../../api/schema";
import { useCodes } from "../../api/tableQueries";
import { useBlindLetters, useSeeBlind } from "../../api/trustQueries";
import { boxOf, viewBoxOf, viewOf } from "../../ink/geometry";
import { PenLine } from "../../ink/PenLine";
import { RuledLines } from "../../ink/RuledLines";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Failed, Loading } from "../../ui/states";
import { useShortcuts } from "../../ui/useShortcuts";
import { DIMENSIONS, VERDICT_NAMES, VerdictMark } from "../../ui/VerdictMark";
import { nextVerdict } from "../desk";
import { Key } from "../WordOn";

const CHOICES: readonly Verdict[] = ["secure", "nearly", "not_yet"];

export function JudgePage() {
  const set_id = Number(useParams().id);
  const letters = useBlindLetters(set_id);
  return (
    <section className="mx-auto flex w-full max-w-4xl flex-col gap-4 px-5 py-4">
      <Failed of={[letters]} />
      {letters.isPending ? <Loading what="the letters" /> : null}
      {letters.data ? <Judging set_id={set_id} letters={letters.data} /> : null}
    </section>
  );
}

function Judging({ set_id, letters }: { set_id: number; letters: BlindLetterOut[] }) {
  const [said, setSaid] = useState(
    () =>
      new Map(letters.flatMap((one) => (one.said ? [[one.attempt_id, one.said] as const] : []))),
  );
  const [place, setPlace] = useState(() =>
    Math.max(
      0,
      letters.findIndex((one) => !one.said),
    ),
  );
  const see = useSeeBlind();
  const letter = letters[place];
  const go = (by: number) => {
    setPlace(Math.min(letters.length - 1, Math.max(0, place + by)));
  };
  const keep = (seen: SeenIn) => {
    if (!letter) return;
    const { attempt_id } = letter;
    see.mutate({ params: { path: { set_id, attempt_id } }, body: seen });
    setSaid(new Map(said).set(attempt_id, seen));
    go(1);
  };
  useShortcuts({
    ArrowRight: () => {
      go(1);
    },
    ArrowLeft: () => {
      go(-1);
    },
  });
  if (!letter) return null;
  return (
    <>
      <header className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="text-xl font-bold">
          Letter {place + 1} of {letters.length}: {letter.letter}
        </h1>
        <p role="status" className="text-soft">
          {said.size === letters.length ? "All are judged. " : `${said.size} judged. `}
          <Link to="/check/blind" className="underline underline-offset-4">
            Stop here
          </Link>
        </p>
      </header>
      <Failed of={[see]} />
      <One key={letter.attempt_id} letter={letter} said={said.get(letter.attempt_id)} keep={keep} />
    </>
  );
}

const UNSAID: SeenIn = { direction: "secure", size: "secure", shape: "secure", codes: [] };

function One({
  letter,
  said,
  keep,
}: {
  letter: BlindLetterOut;
  said: SeenIn | undefined;
  keep: (seen: SeenIn) => void;
}) {
  const [seen, setSeen] = useState<SeenIn>(said ?? UNSAID);
  const codes = (useCodes().data ?? []).filter(({ of_texts }) => !of_texts);
  const cycle = (key: "direction" | "size" | "shape") => () => {
    setSeen((before) => ({ ...before, [key]: nextVerdict(before[key]) }));
  };
  const done = () => {
    keep(seen);
  };
  useShortcuts({
    q: cycle("direction"),
    w: cycle("size"),
    e: cycle("shape"),
    Enter: done,
    a: done,
  });
  const box = boxOf(letter.strokes.map(({ points }) => points));
  const wrong = DIMENSIONS.filter(({ key }) => seen[key] !== "secure").map(({ key }) => key);
  return (
    <>
      <svg
        viewBox={viewBoxOf(viewOf(letter.model.lines, box, 0.8))}
        className="h-64 w-full rounded-lg border-2 border-crease bg-leaf"
        role="img"
        aria-label={`A child’s ${letter.letter}`}
      >
        <RuledLines lines={letter.model.lines} />
        {letter.strokes.map(({ points }, at) => (
          <PenLine key={at} points={points} width={0.055} />
        ))}
        {letter.strokes[0]?.points[0] ? (
          <circle
            cx={letter.strokes[0].points[0][0]}
            cy={-letter.strokes[0].points[0][1]}
            r={0.075}
            className="fill-ink"
          />
        ) : null}
      </svg>
      <div className="flex flex-wrap items-end gap-6">
        {DIMENSIONS.map(({ key, name }, at) => (
          <div key={key} className="flex flex-col">
            <span className="text-soft">
              {name} <Key>{"QWE"[at]}</Key>
            </span>
            <Choice
              label={name}
              value={seen[key]}
              options={CHOICES.map((verdict) => ({
                value: verdict,
                name: VERDICT_NAMES[verdict],
                label: <VerdictMark verdict={verdict} label={name} />,
              }))}
              onChange={(verdict) => {
                setSeen({ ...seen, [key]: verdict });
              }}
            />
          </div>
        ))}
        <Button look="main" onClick={done} aria-keyshortcuts="Enter">
          Next letter
        </Button>
      </div>
      {wrong.length > 0 ? (
        <fieldset className="flex flex-wrap gap-2">
          <legend className="pb-1 text-soft">What is it? If you like, name it.</legend>
          {codes
            .filter(({ dimension }) => wrong.includes(dimension))
            .map(({ code, name }) => (
              <Button
                key={code}
                small
                aria-pressed={seen.codes.includes(code)}
                className="aria-pressed:border-ink aria-pressed:bg-rule-wash"
                onClick={() => {
                  const others = seen.codes.filter((one) => one !== code);
                  const named = seen.codes.includes(code) ? others : [...others, code];
                  setSeen({ ...seen, codes: named });
                }}
              >
                {name}
              </Button>
            ))}
        </fieldset>
      ) : null}
    </>
  );
}
