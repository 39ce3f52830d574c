/** What the board shows in a step. */
import type { Lesson, LessonStep, StepKind } from "../../api/client";
import { BesideStep } from "./BesideStep";
import { BigArm } from "./BigArm";
import { FamilyStep } from "./FamilyStep";
import { LetterStep } from "./LetterStep";
import { MemoryStep } from "./MemoryStep";
import { MissingPair } from "./MissingPair";
import type { Mode } from "./modes";
import { lettersOf, partsOf } from "./parts";
import { Prompts } from "./Prompts";
import { Settle } from "./Settle";
import { SlipsStep } from "./SlipsStep";
import { TextOnLines } from "./TextOnLines";
import { WordsStep } from "./WordsStep";
import { WriteHere } from "./WriteHere";

export function StepView({
  lesson,
  step,
  date,
  mode,
}: {
  lesson: Lesson;
  step: LessonStep;
  date: string;
  mode: Mode;
}) {
  switch (mode) {
    case "shown":
      return <Shown lesson={lesson} step={step} date={date} />;
    case "beside":
      return <BesideStep parts={partsOf(lesson)} />;
    case "memory":
      return <MemoryStep parts={step.kind === "show" ? partsOf(lesson) : lesson.look_back} />;
    case "pairs":
      return <MissingPair />;
    case "write":
      return (
        <WriteHere
          lesson={lesson.id}
          kind={step.kind}
          rows={ROWS[step.kind] ?? 1}
          copy={copyOf(step.kind, lesson, date)}
        />
      );
  }
}

/** Rows of lines to write on, where one would not hold it. */
const ROWS: Partial<Record<StepKind, number>> = { date: 2, words: 2, sentence: 2 };

/** What is to be written in a step. */
function copyOf(kind: StepKind, lesson: Lesson, date: string): string {
  if (kind === "date") return date;
  if (kind === "words") return lesson.words.join(", ");
  if (kind === "sentence") return lesson.sentence.text;
  return (kind === "look_back" ? lesson.look_back : lesson.new).join(" ");
}

function Shown({ lesson, step, date }: { lesson: Lesson; step: LessonStep; date: string }) {
  switch (step.kind) {
    case "settle":
      return <Settle />;
    case "date":
      return <TextOnLines text={date} />;
    case "look_back":
      return <TextOnLines text={lesson.look_back.join(" ")} />;
    case "family":
      return <FamilyStep letter={lettersOf(lesson)[0] ?? ""} />;
    case "show":
      return <LetterStep parts={partsOf(lesson)} />;
    case "slips":
      return <SlipsStep letter={lettersOf(lesson)[0] ?? ""} />;
    case "big":
      return <BigArm letters={lettersOf(lesson)} />;
    case "words":
      return <WordsStep words={lesson.words} />;
    case "sentence":
      return <TextOnLines text={lesson.sentence.text} counted />;
    case "own":
    case "best":
    case "close":
    case "home":
      return <Prompts kind={step.kind} lesson={lesson} />;
  }
}
