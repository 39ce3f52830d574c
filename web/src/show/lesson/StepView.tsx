/** What the board shows in a step. */
import type { Lesson, LessonStep } from "../../api/client";
import { BigArm } from "./BigArm";
import { FamilyStep } from "./FamilyStep";
import { LetterStep } from "./LetterStep";
import { Prompts } from "./Prompts";
import { Settle } from "./Settle";
import { SlipsStep } from "./SlipsStep";
import { TextOnLines } from "./TextOnLines";
import { WordsStep } from "./WordsStep";

export function StepView({
  lesson,
  step,
  date,
}: {
  lesson: Lesson;
  step: LessonStep;
  date: string;
}) {
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
      return <LetterStep letters={lettersOf(lesson)} />;
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

/** What is new, letter by letter: a pair is shown as its letters. */
function lettersOf(lesson: Lesson): string[] {
  return [...new Set(lesson.new.flatMap((part) => Array.from(part)))];
}
