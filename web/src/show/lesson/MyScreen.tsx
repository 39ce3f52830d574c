/**
 * The teacher's own screen beside the board, in a second window: the step, what the board keeps
 * covered, what to say, what comes next; and the board is sent on from here.
 */
import { ChevronLeft, ChevronRight, Play } from "lucide-react";
import { useEffect, useState } from "react";
import { Link } from "react-router";

import type { LessonOut as Lesson } from "../../api/schema";
import { Button } from "../../ui/Button";
import { nameOf } from "../../ui/lessonName";
import { SoundWord } from "../../ui/SoundWord";
import { Empty } from "../../ui/states";
import { useShortcuts } from "../../ui/useShortcuts";
import { type OnBoard, useLessonChannel } from "./channel";
import { FoundLesson } from "./FoundLesson";
import { StepTime } from "./StepTime";
import { StillWriting } from "./StillWriting";

export function MyScreen() {
  return <FoundLesson>{(lesson) => <Mine key={lesson.id} lesson={lesson} />}</FoundLesson>;
}

function Mine({ lesson }: { lesson: Lesson }) {
  const [board, setBoard] = useState<OnBoard | null>(null);
  const say = useLessonChannel(lesson.id, (said) => {
    if (said.from === "board") setBoard({ at: said.at, covered: said.covered });
  });
  useEffect(() => {
    say({ from: "teacher", ask: "where" }); // from then on the board tells
  }, [say]);
  const ask = (what: "back" | "next" | "onwards") => () => {
    say({ from: "teacher", ask: what });
  };
  useShortcuts({ PageDown: ask("next"), PageUp: ask("back"), " ": ask("onwards") });
  if (!board) {
    return (
      <Empty>
        The board is not open. <Link to={`/show/lesson/${String(lesson.id)}`}>Open it</Link> in
        another window, where the class sees it.
      </Empty>
    );
  }
  const stop = lesson.course[board.at];
  const covered = lesson.sounds.find(({ text }) => text === board.covered);
  return (
    <section
      aria-label={`My screen: ${nameOf(lesson)}`}
      className="mx-auto flex w-full max-w-xl flex-1 flex-col gap-4 px-5 py-4"
    >
      <header className="flex flex-wrap items-center gap-3">
        <h1 className="flex-1 text-2xl font-bold">{stop?.name}</h1>
        {stop && <StepTime key={board.at} minutes={stop.minutes} />}
      </header>
      {board.covered !== null && (
        <div className="rounded-lg border-2 border-rule-deep bg-leaf px-5 py-4">
          <p className="text-soft">Only you see this:</p>
          <p role="status" className="text-4xl leading-tight [&_span]:text-4xl">
            {covered ? <SoundWord word={covered} /> : board.covered}
          </p>
          {covered && (
            <p className="text-soft">
              {covered.graphemes.length} sounds{covered.by_heart ? ", a word to know by heart" : ""}
            </p>
          )}
        </div>
      )}
      <ul className="flex flex-col gap-1 text-lg">
        {stop?.told.map((told) => (
          <li key={told} className="border-l-4 border-rule pl-3">
            {told}
          </li>
        ))}
      </ul>
      <StillWriting lesson={lesson.id} />
      {stop && stop.note !== "" && <p className="text-lg">Your note: {stop.note}</p>}
      <p className="text-soft">{lesson.aim}</p>
      <span className="flex-1" />
      <div className="grid grid-cols-2 gap-3">
        <Button className="col-span-2 min-h-14" onClick={ask("onwards")}>
          <Play aria-hidden size={20} /> Next part of this step
        </Button>
        <Button className="min-h-14" disabled={board.at === 0} onClick={ask("back")}>
          <ChevronLeft aria-hidden size={20} /> Back
        </Button>
        <Button
          look="main"
          className="min-h-14"
          disabled={board.at === lesson.course.length - 1}
          onClick={ask("next")}
        >
          {lesson.course[board.at + 1]?.name ?? "The end"} <ChevronRight aria-hidden size={20} />
        </Button>
      </div>
    </section>
  );
}
