/**
 * The lesson on the board, step by step: a page-turner or the keys go forward and back, a quiet line
 * shows how the time goes, and where it stands is remembered.
 */
import { Eye, ChevronLeft, ChevronRight, Maximize2 } from "lucide-react";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";

import type { LessonOut as Lesson } from "../../api/schema";
import { useCloseLesson } from "../../api/lessonQueries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { nameOf } from "../../ui/lessonName";
import { Empty, ProblemNote } from "../../ui/states";
import { CoverContext } from "./covered";
import { SHOWING_NAMES } from "./showings";
import { StepTime } from "./StepTime";
import { StepView } from "./StepView";
import { FoundLesson } from "./FoundLesson";
import { JoinPanel } from "./JoinPanel";
import { CourseLine } from "./CourseLine";
import { useBoard } from "./useBoard";

export function LessonBoard() {
  return <FoundLesson>{(lesson) => <Run key={lesson.id} lesson={lesson} />}</FoundLesson>;
}

function Run({ lesson }: { lesson: Lesson }) {
  const board = useRef<HTMLElement>(null);
  const [inside, setInside] = useState<HTMLElement | null>(null); // what stands over a full board
  const { at, stop, go, turn, error, showing, show, cover, toMyScreen, toggleFull } = useBoard(
    lesson,
    board,
  );
  const last = at === lesson.course.length - 1;
  if (!stop) return <Empty>Every step of this lesson is skipped.</Empty>;
  return (
    <section
      ref={(section) => {
        board.current = section;
        setInside(section);
      }}
      aria-label={nameOf(lesson)}
      className="flex h-[calc(100dvh-4rem)] min-h-[30rem] flex-col gap-3 bg-paper px-5 py-3 md:h-[calc(100dvh-2.75rem)] md:min-h-0 full:h-full full:p-6"
    >
      <header className="flex flex-wrap items-center gap-4">
        <h1 className="text-xl font-bold big:text-[2.5rem]">{stop.name}</h1>
        {stop.note !== "" && <p className="text-lg text-soft">{stop.note}</p>}
        <span className="flex-1" />
        {stop.showings.length > 1 && (
          <Choice
            label="How it is shown"
            value={showing}
            options={stop.showings.map((one) => ({ value: one, label: SHOWING_NAMES[one] }))}
            onChange={show}
          />
        )}
        <StepTime key={at} minutes={stop.minutes} />
        <JoinPanel lesson={lesson.id} inside={inside} />
        <Button onClick={toMyScreen} title="What only you see, in a second window (T)">
          <Eye aria-hidden size={18} /> <span className="max-[92rem]:sr-only">My screen</span>
        </Button>
        <Button onClick={toggleFull} title="The whole screen (F)">
          <Maximize2 aria-hidden size={18} />{" "}
          <span className="max-[92rem]:sr-only">Full board</span>
        </Button>
      </header>
      {lesson.aim !== "" && (at === 0 || last) && (
        <p className="border-l-8 border-rule pl-4 text-2xl big:text-[2.75rem] big:leading-tight">
          {last ? `“${lesson.aim}” Did we do it?` : lesson.aim}
        </p>
      )}
      <div className="flex min-h-0 flex-1 flex-col">
        <CoverContext value={cover}>
          <StepView
            key={`${String(at)} ${showing}`}
            lesson={lesson}
            stop={stop}
            showing={showing}
          />
        </CoverContext>
      </div>
      <Foot lesson={lesson} at={at} onTurn={turn} onGo={go} />
      {error && <ProblemNote error={error} />}
    </section>
  );
}

/** Back, the course, and on: at its end the lesson is given. */
function Foot({
  lesson,
  at,
  onTurn,
  onGo,
}: {
  lesson: Lesson;
  at: number;
  onTurn: (by: 1 | -1) => void;
  onGo: (at: number) => void;
}) {
  const navigate = useNavigate();
  const close = useCloseLesson();
  const last = at === lesson.course.length - 1;
  return (
    <>
      <footer className="flex items-center gap-3 max-md:flex-wrap max-md:justify-between">
        <Button
          disabled={at === 0}
          onClick={() => {
            onTurn(-1);
          }}
        >
          <ChevronLeft aria-hidden size={20} /> Back
        </Button>
        <CourseLine lesson={lesson} at={at} onGo={onGo} />
        {last ? (
          <Button
            look="main"
            disabled={close.isPending}
            onClick={() => {
              close.mutate(
                { params: { path: { lesson_id: lesson.id } } },
                { onSuccess: () => void navigate("/plan/today") },
              );
            }}
          >
            {lesson.given ? "Done" : "Finish the lesson"}
          </Button>
        ) : (
          <Button
            look="main"
            onClick={() => {
              onTurn(1);
            }}
          >
            {lesson.course[at + 1]?.name} <ChevronRight aria-hidden size={20} />
          </Button>
        )}
      </footer>
      {close.isError && <ProblemNote error={close.error} />}
    </>
  );
}
