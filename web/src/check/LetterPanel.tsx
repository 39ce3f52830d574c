/** One letter taken up: large, played again, what was seen, the one thing to say, everybody's word. */
import { Bookmark, Columns2, Play } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";

import { useLetter } from "../api/queries";
import type { AttemptOut as Attempt, JudgementOut } from "../api/schema";
import { useCloser } from "../api/tableQueries";
import { inkTimeline } from "../ink/timeline";
import { usePlayback } from "../ink/usePlayback";
import { Button } from "../ui/Button";
import { Hers } from "../ui/Hers";
import { Unjudged } from "../ui/Unjudged";
import { useShortcuts } from "../ui/useShortcuts";
import { Compare } from "./Compare";
import { FindingList } from "./FindingList";
import { InkCloser } from "./InkCloser";
import { useHeld } from "./useHeld";
import type { Words } from "./useWords";
import { Key, WordOn } from "./WordOn";

const HELP_WORDS: Record<Attempt["help"], string> = {
  trace: "traced",
  finish: "from its starting dot",
  copy: "copied",
  recall: "from memory",
  word: "in a word",
};

/** How fast it is played: as it was written, and so that the eye can follow. */
const SPEEDS = [
  { value: 1, name: "as written" },
  { value: 0.5, name: "half as fast" },
  { value: 0.25, name: "a quarter" },
] as const;

export function LetterPanel({ attempt, words }: { attempt: Attempt; words: Words }) {
  const letter = useLetter(attempt.letter);
  const closer = useCloser(attempt.id);
  const timeline = inkTimeline(attempt.strokes);
  const [speed, setSpeed] = useState(0);
  const [comparing, setComparing] = useState(false);
  const pace = SPEEDS[speed] ?? SPEEDS[0];
  const { time_s, replay } = usePlayback(timeline.total_s / pace.value);
  const thing = { kind: "attempt", attempt } as const;
  const slower = () => {
    setSpeed((speed + 1) % SPEEDS.length);
    replay();
  };
  // What was seen on paper has no order: there is nothing to play.
  const plays = attempt.source === "pen";
  const key = `attempt ${attempt.id}` as const;
  const [held, setHeld] = useHeld();
  const hold = () => {
    setHeld(held === key ? undefined : key);
  };
  useShortcuts({
    ...(plays && { " ": replay, v: slower }),
    c: () => {
      setComparing(!comparing);
    },
    ...(attempt.source !== "eye" && { h: hold }),
  });
  const label = `${attempt.letter} by ${attempt.pupil.name}`;
  return (
    <>
      <header className="flex flex-wrap items-baseline justify-between gap-x-3">
        <h1 className="text-xl font-bold">
          {attempt.pupil.name}: {attempt.letter}
        </h1>
        <p className="text-soft">
          {attempt.source === "eye" ? "seen by eye" : HELP_WORDS[attempt.help]},{" "}
          {attempt.source === "scan" ? "on paper, " : null}
          {dayOf(attempt.written_at)}
        </p>
      </header>
      {attempt.source === "eye" ? null : comparing ? (
        <Compare attempt={attempt} />
      ) : letter.data ? (
        <InkCloser
          attempt={attempt}
          letter={letter.data}
          closer={closer.data}
          time_s={time_s * pace.value}
          label={`${label}, large`}
          className="h-48 w-full shrink-0 rounded-lg border-2 border-crease bg-leaf"
        />
      ) : null}
      {attempt.source === "eye" ? null : (
        <div className="flex flex-wrap items-center gap-2">
          {plays ? (
            <>
              <Button small onClick={replay} aria-keyshortcuts="Space">
                <Play aria-hidden size={18} /> Replay
              </Button>
              <Button small onClick={slower} aria-keyshortcuts="v">
                {pace.name} <Key>V</Key>
              </Button>
            </>
          ) : null}
          <Button
            small
            onClick={() => {
              setComparing(!comparing);
            }}
            aria-pressed={comparing}
            aria-keyshortcuts="c"
            className="aria-pressed:border-ink aria-pressed:bg-rule-wash"
          >
            <Columns2 aria-hidden size={18} /> Compare <Key>C</Key>
          </Button>
          <Button
            small
            onClick={hold}
            aria-pressed={held === key}
            aria-keyshortcuts="h"
            aria-label="Hold"
            title="Hold this one: others of this child can be compared with it"
            className="aria-pressed:border-ink aria-pressed:bg-rule-wash"
          >
            <Bookmark aria-hidden size={18} /> <Key>H</Key>
          </Button>
          {attempt.text_id === null ? null : (
            <Link
              to={`/check?pupil=${attempt.pupil.id}&kind=word`}
              className="underline underline-offset-4"
            >
              Words by {attempt.pupil.name}
            </Link>
          )}
        </div>
      )}
      {attempt.judged ? (
        attempt.say ? (
          <p className="border-l-4 border-ink pl-3 text-xl" data-testid="say">
            “{attempt.say}”
          </p>
        ) : null
      ) : (
        <Unjudged />
      )}
      <FindingList thing={thing} findings={attempt.findings} words={words} />
      <Others words={closer.data?.words ?? []} />
      <Hers>
        <WordOn thing={thing} words={words} />
      </Hers>
    </>
  );
}

/** What others said of it: beside hers, and not counted. */
export function Others({ words }: { words: readonly JudgementOut[] }) {
  const others = words.filter(({ counts }) => !counts);
  if (others.length === 0) return null;
  return (
    <ul aria-label="Others’ words" className="text-soft">
      {others.map(({ author, direction, size, shape, note }, at) => (
        <li key={at}>
          {author ?? "Somebody"}: direction {wordFor(direction)}, size {wordFor(size)}, shape{" "}
          {wordFor(shape)}
          {note ? `. ${note}` : ""}
        </li>
      ))}
    </ul>
  );
}

const wordFor = (verdict: string | null) => (verdict ?? "as checked").replace("_", " ");

function dayOf(moment: string): string {
  return new Date(moment).toLocaleDateString("en-GB", { day: "numeric", month: "short" });
}
