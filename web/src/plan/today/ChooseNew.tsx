/** What the next lesson is: its shape, what it is on, and how long it may take. */
import { useState } from "react";
import { useSearchParams } from "react-router";

import type { NewLesson, Shape, TodayOut as Today } from "../../api/schema";
import { usePlanLesson, useProposal } from "../../api/lessonQueries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { ProblemNote } from "../../ui/states";
import { Due } from "./Due";
import { LessonMinutes } from "./LessonMinutes";
import { Proposal } from "./Proposal";
import { TaughtLetters } from "./TaughtLetters";
import { Families, Habits, New } from "./WhatItIsOn";

export function ChooseNew({ today }: { today: Today }) {
  const plan = usePlanLesson();
  const [shape, setShape] = useState<Shape>("short");
  const [address] = useSearchParams();
  const [chosen, setChosen] = useState<string>(
    address.get("new") ?? today.next[0]?.new.join(" ") ?? "",
  );
  const [again, setAgain] = useState<NewLesson>({ new: [], shape });
  const [minutes, setMinutes] = useState<number | null>(null);
  const teaches = today.shapes.find((one) => one.shape === shape)?.teaches ?? false;
  const parts = teaches ? chosen.split(" ").filter((part) => part !== "") : again.new;
  const asked: NewLesson = {
    ...(teaches ? {} : again),
    new: parts,
    shape,
    minutes: shape === "full" ? today.language.minutes : minutes,
  };
  const proposal = useProposal(asked);
  const choose = (to: Shape) => {
    setShape(to);
    setAgain({ new: [], shape: to });
    setMinutes(null);
  };
  const ready = parts.length > 0 || shape === "words";
  return (
    <div className="flex min-h-0 flex-1 gap-x-8 gap-y-6 max-lg:flex-col">
      <section
        aria-label="What to teach"
        className="flex min-w-0 flex-[4] flex-col items-start gap-4 overflow-y-auto px-0.5"
      >
        <h2 className="text-lg font-bold">
          {today.lesson?.given ? "Today's lesson was given. What comes next?" : "What comes next?"}
        </h2>
        <div>
          <Choice
            label="What kind of lesson"
            value={shape}
            options={today.shapes.map((one) => ({ value: one.shape, label: one.title }))}
            onChange={choose}
          />
          <p className="pt-1 text-soft">{today.shapes.find((one) => one.shape === shape)?.what}</p>
        </div>
        {teaches && <New today={today} value={chosen} onChange={setChosen} />}
        {shape === "look_back" && <Families today={today} asked={again} onChange={setAgain} />}
        {shape === "mend" && <Habits asked={again} onChange={setAgain} />}
        <TaughtLetters taught={today.taught} words={today.taught_words} />
        <Due due={today.due} />
      </section>
      <Proposal asked={asked}>
        <div className="flex flex-wrap items-center gap-x-6 gap-y-3 pt-2">
          <LessonMinutes
            key={shape}
            today={today}
            shape={shape}
            minutes={minutes ?? proposal.data?.minutes ?? null}
            onChange={setMinutes}
          />
          <Button
            look="main"
            disabled={!ready || plan.isPending}
            onClick={() => {
              plan.mutate({ body: asked });
            }}
          >
            {shape === "words" ? "Plan the lesson" : `Plan the lesson on ${parts.join(" ") || "…"}`}
          </Button>
        </div>
        {plan.isError && <ProblemNote error={plan.error} />}
      </Proposal>
    </div>
  );
}
