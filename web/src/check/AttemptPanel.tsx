/** One attempt taken up: played again, what was seen, the one thing to say, the teacher's word. */
import { Play } from "lucide-react";
import { Link } from "react-router";

import type { AttemptOut as Attempt, LetterDrawing as Letter } from "../api/schema";
import { InkOverModel } from "../ink/InkOverModel";
import { inkTimeline } from "../ink/timeline";
import { usePlayback } from "../ink/usePlayback";
import { Button } from "../ui/Button";
import { Unjudged } from "../ui/Unjudged";
import { useShortcuts } from "../ui/useShortcuts";
import { FindingList } from "./FindingList";
import { Hers } from "../ui/Hers";
import { JudgementForm } from "./JudgementForm";

const HELP_WORDS: Record<Attempt["help"], string> = {
  trace: "traced",
  finish: "from its starting dot",
  copy: "copied",
  recall: "from memory",
  word: "in a word",
};

export function AttemptPanel({
  attempt,
  letter,
  next,
}: {
  attempt: Attempt;
  letter: Letter;
  next: () => void;
}) {
  const timeline = inkTimeline(attempt.strokes);
  const playback = usePlayback(timeline.total_s);
  useShortcuts({ " ": playback.replay });
  return (
    <article
      aria-label={`${attempt.letter} by ${attempt.pupil.name}`}
      className="flex shrink-0 flex-col gap-3 border-rule max-lg:border-b-2 max-lg:pb-3 lg:sticky lg:top-3 lg:w-[27rem] lg:self-start lg:border-l-2 lg:pl-5"
    >
      <header className="flex flex-wrap items-baseline justify-between gap-x-3">
        <h1 className="text-xl font-bold">
          {attempt.pupil.name}: {attempt.letter}
        </h1>
        <p className="text-soft">
          {attempt.source === "eye" ? (
            "seen by eye"
          ) : attempt.text_id === null ? (
            HELP_WORDS[attempt.help]
          ) : (
            <Link
              to={`/check/text?pupil=${attempt.pupil.id}`}
              className="underline underline-offset-4"
            >
              {HELP_WORDS.word}
            </Link>
          )}
          , {dayOf(attempt.written_at)}
        </p>
      </header>
      {attempt.source === "eye" ? null : (
        <div className="flex gap-3">
          <InkOverModel
            attempt={attempt}
            letter={letter}
            time_s={playback.time_s}
            label={`${attempt.letter} by ${attempt.pupil.name}, large`}
            className="h-44 min-w-0 flex-1 rounded-lg border-2 border-crease bg-leaf"
          />
          <Button onClick={playback.replay} className="flex-col self-end" aria-keyshortcuts="Space">
            <Play aria-hidden size={20} />
            Replay
          </Button>
        </div>
      )}
      {attempt.judged ? (
        <p className="border-l-4 border-ink pl-3 text-xl" data-testid="say">
          “{attempt.say}”
        </p>
      ) : (
        <Unjudged />
      )}
      <FindingList attempt={attempt} />
      <Hers>
        <JudgementForm attempt={attempt} next={next} />
      </Hers>
    </article>
  );
}

function dayOf(moment: string): string {
  return new Date(moment).toLocaleDateString("en-GB", { day: "numeric", month: "short" });
}
