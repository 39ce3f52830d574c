/** What the board shows in a step. */
import type { LessonOut as Lesson, LessonStep, Showing } from "../../api/schema";
import { BesideStep } from "./BesideStep";
import { BigArm } from "./BigArm";
import { FamilyStep } from "./FamilyStep";
import { LetterStep } from "./LetterStep";
import { MemoryStep } from "./MemoryStep";
import { MissingPair } from "./MissingPair";
import { PupilsWork } from "./PupilsWork";
import { Settle } from "./Settle";
import { SlipsStep } from "./SlipsStep";
import { TextOnLines } from "./TextOnLines";
import { WordsStep } from "./WordsStep";
import { WriteHere } from "./WriteHere";

export function StepView({
  lesson,
  step,
  showing,
}: {
  lesson: Lesson;
  step: LessonStep;
  showing: Showing;
}) {
  switch (showing) {
    case "shown":
      return <Shown lesson={lesson} step={step} />;
    case "beside":
      return <BesideStep parts={lesson.parts} />;
    case "memory":
      return <MemoryStep parts={step.kind === "show" ? lesson.parts : lesson.look_back} />;
    case "pairs":
      return <MissingPair />;
    case "write":
      return (
        <WriteHere lesson={lesson.id} kind={step.kind} rows={step.rows} copy={step.copy_text} />
      );
  }
}

function Shown({ lesson, step }: { lesson: Lesson; step: LessonStep }) {
  const first = lesson.letters[0] ?? "";
  switch (step.kind) {
    case "settle":
      return <Settle />;
    case "date":
    case "look_back":
      return <TextOnLines text={step.copy_text} />;
    case "family":
      return <FamilyStep letter={first} />;
    case "show":
      return <LetterStep parts={lesson.parts} />;
    case "slips":
      return <SlipsStep letter={first} />;
    case "big":
      return <BigArm letters={lesson.letters} />;
    case "words":
      return <WordsStep words={lesson.words} />;
    case "sentence":
      return <TextOnLines text={step.copy_text} counted />;
    case "own":
    case "best":
    case "close":
    case "home":
      return <PupilsWork step={step} letter={lesson.parts[0] ?? ""} />;
  }
}
