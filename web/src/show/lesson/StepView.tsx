/** What the board shows in a step. */
import type { LessonOut as Lesson, Showing, StopOut as Stop } from "../../api/schema";
import { BesideStep, BesideText } from "./BesideStep";
import { BigArm } from "./BigArm";
import { FamilyStep } from "./FamilyStep";
import { FreeWriting, Told } from "./FreeWriting";
import { LetterStep } from "./LetterStep";
import { MemoryStep } from "./MemoryStep";
import { MissingPair } from "./MissingPair";
import { Pause } from "./Pause";
import { PupilsWork } from "./PupilsWork";
import { RubOut } from "./RubOut";
import { SentenceStep } from "./SentenceStep";
import { Settle, SettleBriefly } from "./Settle";
import { SlipsStep } from "./SlipsStep";
import { TextOnLines } from "../../ui/TextOnLines";
import { TurnsStep } from "./TurnsStep";
import { WordsStep } from "./WordsStep";
import { WriteHere } from "./WriteHere";

/** Steps that are about a line of text, and not about letters one by one. */
const TEXTS: readonly Stop["kind"][] = ["date", "look_back", "words", "sentence"];

export function StepView({
  lesson,
  stop,
  showing,
}: {
  lesson: Lesson;
  /** Where the lesson has come to: of a step that comes round, with which letter. */
  stop: Stop;
  showing: Showing;
}) {
  switch (showing) {
    case "shown":
      return <Shown lesson={lesson} stop={stop} />;
    case "turns":
      return <TurnsStep parts={stop.parts} />;
    case "beside":
      return TEXTS.includes(stop.kind) ? (
        <BesideText text={stop.text} />
      ) : (
        <BesideStep parts={stop.parts} />
      );
    case "memory":
      return <MemoryStep parts={stop.kind === "show" ? stop.parts : lesson.look_back} />;
    case "rub_out":
      return <RubOut words={wordsUntil(lesson, stop)} />;
    case "pairs":
      return <MissingPair told={stop.told} />;
    case "write":
      return (
        <WriteHere
          lesson={lesson.id}
          kind={stop.kind}
          part={stop.part}
          rows={stop.rows}
          copy={stop.text}
        />
      );
  }
}

/** The words of a stop as they are heard. */
function wordsAt(lesson: Lesson, stop: Stop): Lesson["sounds"] {
  return lesson.sounds.filter(({ text }) => stop.words.includes(text));
}

/** Those that stand there by then: of this stop and those before it, none that is still to be heard. */
function wordsUntil(lesson: Lesson, stop: Stop): Lesson["sounds"] {
  const there = lesson.course.slice(0, lesson.course.indexOf(stop) + 1);
  const words = there.flatMap((one) => one.words);
  return lesson.sounds.filter(({ text }) => words.includes(text));
}

function Shown({ lesson, stop }: { lesson: Lesson; stop: Stop }) {
  switch (stop.kind) {
    case "settle":
      return lesson.shape === "full" ? <Settle /> : <SettleBriefly />;
    case "date":
    case "look_back":
      return (
        <>
          <TextOnLines text={stop.text} />
          <Told told={stop.told} />
        </>
      );
    case "family":
      return <FamilyStep letters={stop.letters} />;
    case "show":
      return <LetterStep parts={stop.parts} />;
    case "slips":
      return <SlipsStep parts={stop.parts} habit={lesson.habit} />;
    case "big":
      return <BigArm parts={stop.about} />;
    case "words":
      return <WordsStep words={wordsAt(lesson, stop)} told={stop.told} heard={stop.heard} />;
    case "pause":
      return <Pause told={stop.told} />;
    case "sentence":
      return <SentenceStep text={stop.text} gap={stop.writings[0]?.gap ?? ""} heard={stop.heard} />;
    case "free":
      return <FreeWriting lesson={lesson} stop={stop} />;
    case "own":
    case "best":
    case "close":
    case "home":
      return <PupilsWork stop={stop} />;
  }
}
