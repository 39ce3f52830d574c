/** The teacher's word: agree, or say otherwise for one dimension or more. It always counts. */
import { Check, Undo2 } from "lucide-react";
import { useState } from "react";

import type { AttemptOut as Attempt, JudgementIn, Verdict } from "../api/schema";
import { useJudge, useWithdrawJudgement } from "../api/attemptQueries";
import { Button } from "../ui/Button";
import { Choice } from "../ui/Choice";
import { ProblemNote } from "../ui/states";
import { useShortcuts } from "../ui/useShortcuts";
import { DIMENSIONS, VERDICT_NAMES, VerdictMark } from "../ui/VerdictMark";

const CHOICES: readonly Verdict[] = ["secure", "nearly", "not_yet"];

export function JudgementForm({ attempt, next }: { attempt: Attempt; next: () => void }) {
  const judge = useJudge();
  const withdraw = useWithdrawJudgement();
  const params = { path: { attempt_id: attempt.id } };
  const [otherwise, setOtherwise] = useState(hasOverruled(attempt));
  const say = (said: JudgementIn) => {
    judge.mutate({ params, body: said });
  };
  const agree = () => {
    say({ note: attempt.judgement?.note ?? "" });
    setOtherwise(false);
    next();
  };
  useShortcuts({
    a: agree,
    o: () => {
      setOtherwise(true);
    },
  });

  return (
    <div className="flex flex-col gap-3 border-t-2 border-crease pt-3">
      <div className="flex flex-wrap gap-2">
        <Button look="main" onClick={agree} aria-keyshortcuts="a">
          <Check aria-hidden size={20} /> I agree
        </Button>
        <Button
          onClick={() => {
            setOtherwise(true);
          }}
          aria-expanded={otherwise}
          aria-keyshortcuts="o"
        >
          I see it otherwise
        </Button>
        {attempt.judgement ? (
          <Button
            onClick={() => {
              withdraw.mutate({ params });
              setOtherwise(false);
            }}
          >
            <Undo2 aria-hidden size={18} /> Take my word back
          </Button>
        ) : null}
      </div>
      {attempt.judgement && !hasOverruled(attempt) ? (
        <p className="text-soft">You agreed with this.</p>
      ) : null}
      {otherwise ? <Overrule attempt={attempt} say={say} /> : null}
      {(judge.error ?? withdraw.error) ? (
        <ProblemNote error={judge.error ?? withdraw.error} />
      ) : null}
      <p className="text-sm text-soft">
        Keys: ← → the next letter · space replay · A agree · O otherwise
      </p>
    </div>
  );
}

function Overrule({ attempt, say }: { attempt: Attempt; say: (said: JudgementIn) => void }) {
  const [note, setNote] = useState(attempt.judgement?.note ?? "");
  const said = wordOf(attempt);
  return (
    <div className="flex flex-col gap-1.5">
      {DIMENSIONS.map(({ key, name }) => (
        <div key={key} className="flex items-center gap-3">
          <span className="w-20 text-soft">{name}</span>
          <Choice
            label={name}
            value={attempt.held[key]}
            options={CHOICES.map((verdict) => ({
              value: verdict,
              name: VERDICT_NAMES[verdict],
              label: <VerdictMark verdict={verdict} label={name} />,
            }))}
            onChange={(verdict) => {
              // Her word is only what differs: the same verdict is agreement.
              say({ ...said, note, [key]: verdict === attempt.checked[key] ? null : verdict });
            }}
          />
          {attempt.judgement?.[key] ? (
            <span className="text-sm text-soft">
              checker: {VERDICT_NAMES[attempt.checked[key]]}
            </span>
          ) : null}
        </div>
      ))}
      <label className="flex flex-col gap-1">
        <span className="text-soft">A note for yourself</span>
        <input
          value={note}
          onChange={(event) => {
            setNote(event.target.value);
          }}
          onBlur={() => {
            if (note !== (attempt.judgement?.note ?? "")) say({ ...said, note });
          }}
          className="min-h-11 rounded-md border-2 border-crease bg-leaf px-3"
        />
      </label>
    </div>
  );
}

function wordOf({ judgement }: Attempt): JudgementIn {
  return {
    direction: judgement?.direction ?? null,
    size: judgement?.size ?? null,
    shape: judgement?.shape ?? null,
    note: judgement?.note ?? "",
  };
}

function hasOverruled(attempt: Attempt): boolean {
  const { direction, size, shape } = wordOf(attempt);
  return Boolean(direction ?? size ?? shape);
}
