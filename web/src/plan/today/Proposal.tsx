/** The lesson that would be planned on what is chosen: its steps with their minutes, and their matter. */
import { useProposal } from "../../api/lessonQueries";
import type { ReactNode } from "react";

import type { LessonMatterOut, LessonStep, NewLesson, StepKind } from "../../api/schema";
import { SmallLetter } from "../../ui/SmallLetter";
import { Loading, ProblemNote } from "../../ui/states";
import { inMinutes } from "./minutes";

export function Proposal({ asked, children }: { asked: NewLesson; children: ReactNode }) {
  const proposal = useProposal(asked);
  const lesson = proposal.data;
  return (
    <section
      aria-label="The lesson as proposed"
      className="flex min-w-0 flex-[5] flex-col gap-3 border-rule max-lg:border-t-2 max-lg:pt-4 lg:border-l-2 lg:pl-6"
    >
      {proposal.isError && (
        <ProblemNote error={proposal.error} retry={() => void proposal.refetch()} />
      )}
      {proposal.isLoading && <Loading what="a proposal" />}
      {lesson && !proposal.isError && (
        <>
          <h2 className="text-lg font-bold">
            Proposed{lesson.new.length > 0 ? ` for ${lesson.new.join(", ")}` : ""}
            <span className="pl-3 font-normal text-soft">
              {inMinutes(lesson.spent)} minutes; everything can be changed once it is planned
            </span>
          </h2>
          {lesson.aim !== "" && <p className="border-l-4 border-rule pl-3">{lesson.aim}</p>}
          <ol className="gap-x-8 sm:columns-2">
            {lesson.steps
              .filter(({ skipped }) => !skipped)
              .map((step) => (
                <Step key={step.kind} step={step} />
              ))}
          </ol>
          {has(lesson, "look_back") && (
            <p className="flex flex-wrap items-center gap-2">
              <span className="w-24 text-soft">Look back</span>
              {lesson.look_back.map((letter) => (
                <span key={letter}>
                  <span className="sr-only">{letter}</span>
                  <SmallLetter letter={letter} className="h-11" />
                </span>
              ))}
            </p>
          )}
          {has(lesson, "words") && <Line label="Words" text={lesson.words.join(", ")} />}
          {has(lesson, "sentence") && <Line label="A sentence" text={lesson.sentence.text} />}
        </>
      )}
      {children}
    </section>
  );
}

/** Whether a step is in the lesson: what one is about that is left out need not be seen. */
function has(lesson: LessonMatterOut, kind: StepKind): boolean {
  return lesson.steps.some((step) => step.kind === kind && !step.skipped);
}

function Step({ step }: { step: LessonStep }) {
  return (
    <li className="flex break-inside-avoid items-baseline gap-3 border-b border-rule/60 py-1">
      <span className="min-w-0 flex-1">
        <span className="block font-medium">{step.title}</span>
        <span className="block text-sm text-soft">{step.what}</span>
      </span>
      <span className="whitespace-nowrap text-soft">{inMinutes(step.minutes)} min</span>
    </li>
  );
}

function Line({ label, text }: { label: string; text: string }) {
  if (text === "") return null;
  return (
    <p className="flex flex-wrap items-baseline gap-2">
      <span className="w-24 text-soft">{label}</span>
      <span className="text-lg">{text}</span>
    </p>
  );
}
