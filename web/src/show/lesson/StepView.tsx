/** What the board shows in a step. */
import type { LessonOut as Lesson, LessonStep, Showing, StopOut as Stop } from "../../api/schema";
import { BesideStep, BesideText } from "./BesideStep";
import { BigArm } from "./BigArm";
import { FamilyStep } from "./FamilyStep";
import { FreeWriting, Told } from "./FreeWriting";
import { LetterStep } from "./LetterStep";
import { MemoryStep } from "./MemoryStep";
import { MissingPair } from "./MissingPair";
import { PupilsWork } from "./PupilsWork";
import { Settle } from "./Settle";
import { SlipsStep } from "./SlipsStep";
import { TextOnLines } from "../../ink/TextOnLines";
import { TurnsStep } from "./TurnsStep";
import { WordsStep } from "./WordsStep";
import { WriteHere } from "./WriteHere";

/** Steps that are about a line of text, and not about letters one by one. */
const TEXTS: readonly LessonStep["kind"][] = ["date", "look_back", "words", "sentence"];

export function StepView({
  lesson,
  step,
  stop,
  showing,
}: {
  lesson: Lesson;
  step: LessonStep;
  /** Where the lesson has come to: of a step that comes round, with which letter. */
  stop: Stop;
  showing: Showing;
}) {
  switch (showing) {
    case "shown":
      return <Shown lesson={lesson} step={step} stop={stop} />;
    case "turns":
      return <TurnsStep parts={stop.parts} />;
    case "beside":
      return TEXTS.includes(step.kind) ? (
        <BesideText text={stop.copy_text} />
      ) : (
        <BesideStep parts={stop.parts} />
      );
    case "memory":
      return <MemoryStep parts={step.kind === "show" ? stop.parts : lesson.look_back} />;
    case "pairs":
      return <MissingPair told={step.prompts} />;
    case "write":
      return (
        <WriteHere
          lesson={lesson.id}
          kind={step.kind}
          part={stop.part}
          rows={step.rows}
          copy={stop.copy_text}
        />
      );
  }
}

function Shown({ lesson, step, stop }: { lesson: Lesson; step: LessonStep; stop: Stop }) {
  switch (step.kind) {
    case "settle":
      return <Settle />;
    case "date":
    case "look_back":
      return (
        <>
          <TextOnLines text={step.copy_text} />
          <Told prompts={step.prompts} />
        </>
      );
    case "family":
      return <FamilyStep letters={stop.letters} />;
    case "show":
      return <LetterStep parts={stop.parts} />;
    case "slips":
      return <SlipsStep letters={stop.letters} />;
    case "big":
      return <BigArm letters={stop.letters} />;
    case "words":
      return <WordsStep words={lesson.sounds} told={step.prompts} />;
    case "sentence":
      return <TextOnLines text={step.copy_text} counted />;
    case "free":
      return <FreeWriting lesson={lesson} step={step} />;
    case "own":
    case "best":
    case "close":
    case "home":
      return <PupilsWork step={step} parts={stop.about} />;
  }
}
