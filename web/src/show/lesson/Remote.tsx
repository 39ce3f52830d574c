/**
 * The teacher's own device, in her hand while she walks: the board is sent on from here, what only
 * she should see is here, and who needs a look.
 */
import { ChevronLeft, ChevronRight, Eye, Play } from "lucide-react";
import { Link } from "react-router";

import { useToday } from "../../api/lessonQueries";
import { useLetterPage } from "../../api/queries";
import { useCall, useOnwards, useRoom } from "../../api/roomQueries";
import type { LessonOut as Lesson, StopOut as Stop } from "../../api/schema";
import { Button } from "../../ui/Button";
import { nameOf } from "../../ui/lessonName";
import { SoundWord } from "../../ui/SoundWord";
import { Empty, Loading, ProblemNote } from "../../ui/states";
import { Tile } from "../../ui/Tile";
import { usePlace } from "./usePlace";

export function Remote() {
  const today = useToday();
  if (today.isPending) return <Loading what="the lesson" />;
  if (today.isError) {
    return <ProblemNote error={today.error} retry={() => void today.refetch()} />;
  }
  const { lesson } = today.data;
  if (!lesson) {
    return (
      <Empty>
        <h1 className="sr-only">In your hand</h1>
        No lesson is planned for today. <Link to="/plan/today">Plan one</Link>, or open the pads in{" "}
        <Link to="/write">Write</Link>.
      </Empty>
    );
  }
  return <InHand key={lesson.id} lesson={lesson} />;
}

function InHand({ lesson }: { lesson: Lesson }) {
  const { at, stop, turn, error } = usePlace(lesson);
  const onwards = useOnwards();
  const call = useCall();
  const problem = error ?? onwards.error ?? call.error;
  return (
    <section
      aria-label={`In your hand: ${nameOf(lesson)}`}
      className="mx-auto flex w-full max-w-xl flex-1 flex-col gap-3 px-4 py-3"
    >
      <header>
        <h1 className="text-2xl font-bold">{stop?.name}</h1>
        <p className="text-soft">
          {at + 1} of {lesson.course.length}
        </p>
      </header>
      {problem ? <ProblemNote error={problem} /> : null}
      <div className="flex min-h-0 flex-1 flex-col gap-3 overflow-y-auto">
        {stop ? <ForHer stop={stop} lesson={lesson} /> : null}
        {stop ? <Phrases stop={stop} /> : null}
        {stop && stop.note !== "" ? <p className="text-lg">Your note: {stop.note}</p> : null}
        <ul className="flex flex-col gap-1">
          {stop?.told.map((told) => (
            <li key={told} className="border-l-4 border-rule pl-3">
              {told}
            </li>
          ))}
        </ul>
        <NeedsALook />
        <nav aria-label="More" className="flex gap-5 text-sm">
          <Link to="/write" className="underline underline-offset-4">
            The class at its pads
          </Link>
          <Link to="/write/tally" className="underline underline-offset-4">
            Tally by eye
          </Link>
        </nav>
      </div>
      <footer className="sticky bottom-0 grid grid-cols-2 gap-2 bg-paper pb-1">
        <Button
          className="min-h-12"
          onClick={() => {
            call.mutate({ body: { what: "look", lesson: lesson.id } });
          }}
        >
          <Eye aria-hidden size={20} /> Look at the board
        </Button>
        <Button
          className="min-h-12"
          onClick={() => {
            onwards.mutate({ params: { path: { lesson_id: lesson.id } } });
          }}
        >
          <Play aria-hidden size={20} /> Next part
        </Button>
        <Button
          className="min-h-16"
          disabled={at === 0}
          onClick={() => {
            turn(-1);
          }}
        >
          <ChevronLeft aria-hidden size={22} /> Back
        </Button>
        <Button
          look="main"
          className="min-h-16"
          disabled={at === lesson.course.length - 1}
          onClick={() => {
            turn(1);
          }}
        >
          {lesson.course[at + 1]?.name ?? "The end"} <ChevronRight aria-hidden size={22} />
        </Button>
      </footer>
    </section>
  );
}

/** What to say: the class does not see it until it has written it. */
function ForHer({ stop, lesson }: { stop: Stop; lesson: Lesson }) {
  if (stop.for_her.length === 0) return null;
  return (
    <div className="rounded-lg border-2 border-rule-deep bg-leaf px-4 py-3">
      <p className="text-sm text-soft">To dictate; only you see this:</p>
      <ul className="flex flex-col gap-1 text-2xl">
        {stop.for_her.map((text) => {
          const word = lesson.sounds.find((one) => one.text === text);
          return (
            <li key={text} className="flex items-baseline justify-between gap-3">
              {word ? <SoundWord word={word} /> : text}
              {word ? (
                <span className="text-sm text-soft">
                  {word.graphemes.length} sounds{word.by_heart ? ", by heart" : ""}
                </span>
              ) : null}
            </li>
          );
        })}
      </ul>
    </div>
  );
}

/** What is said while a letter is made. */
function Phrases({ stop }: { stop: Stop }) {
  const letters = stop.about.filter((part) => part.length === 1).slice(0, 3);
  return (
    <>
      {letters.map((letter) => (
        <Phrase key={letter} letter={letter} />
      ))}
    </>
  );
}

function Phrase({ letter }: { letter: string }) {
  const page = useLetterPage(letter);
  if (!page.data) return null;
  const said = page.data.moves.flat().map(({ words }) => words);
  return (
    <p className="text-xl">
      <span className="font-bold">{letter}</span>: {said.join(", ")}
    </p>
  );
}

function NeedsALook() {
  const room = useRoom();
  const stuck = room.data?.children.filter(({ going }) => going === "stuck") ?? [];
  const idle = room.data?.children.filter(({ going }) => going === "not_begun") ?? [];
  if (!room.data || room.data.lessons.length === 0) return null;
  return (
    <section aria-label="Who needs a look" className="flex flex-col gap-1.5">
      <h2 className="font-bold">Who needs a look</h2>
      {stuck.length + idle.length === 0 ? <p className="text-soft">Nobody just now.</p> : null}
      <ul className="flex flex-col gap-1">
        {[...stuck, ...idle].map(({ who, going, newest }) => (
          <li key={who.id} className="flex items-center gap-2">
            {who.tile ? <Tile name={who.tile} className="size-7" /> : null}
            <span className="font-medium">{who.name}</span>
            <span className="min-w-0 flex-1 truncate text-sm text-soft">
              {going === "not_begun" ? "has not begun" : (newest.at(-1)?.say ?? "is stuck")}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
