/** The board: a letter drawn on its lines, move by move, with what is said meanwhile. */
import { Maximize2, Pause, Play, RotateCcw, StepBack, StepForward } from "lucide-react";
import { useRef, useState } from "react";

import type { LetterDrawing as Letter } from "../api/schema";
import { LetterModel } from "../ink/LetterModel";
import { currentPiece, letterTimeline, stepFrom } from "../ink/timeline";
import { usePlayback } from "../ink/usePlayback";
import { Button } from "../ui/Button";
import { Choice } from "../ui/Choice";
import { Tick } from "../ui/Tick";
import { useShortcuts } from "../ui/useShortcuts";
import { Spoken } from "./Spoken";
import { useGoesOn } from "./onwards";

const SPEEDS = [
  { value: "0.5", label: "Slow" },
  { value: "1", label: "Steady" },
  { value: "1.8", label: "Brisk" },
] as const;

export function Board({
  letter,
  inLesson = false,
}: {
  letter: Letter;
  /** The lesson has its own way to fill the screen, and its own keys to be told. */
  inLesson?: boolean;
}) {
  const board = useRef<HTMLElement>(null);
  const [speed, setSpeed] = useState<(typeof SPEEDS)[number]["value"]>("1");
  const [filled, setFilled] = useState(false);
  const [pausing, setPausing] = useState(false);
  const timeline = letterTimeline(letter.strokes, Number(speed));
  const playback = usePlayback(timeline.total_s);
  const { time_s, playing } = playback;

  /** On, or with a pause at each move to the end of the next; from the start if all is drawn. */
  const draw = () => {
    if (!pausing) {
      playback.play();
      return;
    }
    const from = time_s >= timeline.total_s ? 0 : time_s;
    if (from !== time_s) playback.jump(from);
    playback.playTo(stepFrom(timeline, from, 1));
  };
  const step = (by: 1 | -1) => {
    playback.jump(stepFrom(timeline, time_s, by));
  };
  const changeSpeed = (chosen: typeof speed) => {
    // The same place in the movement, at another pace.
    const share = time_s / timeline.total_s;
    playback.jump(share * letterTimeline(letter.strokes, Number(chosen)).total_s);
    setSpeed(chosen);
  };
  const toggleFull = () => {
    if (document.fullscreenElement) void document.exitFullscreen();
    else void board.current?.requestFullscreen();
  };
  useGoesOn(playing ? playback.pause : draw);
  useShortcuts({
    r: playback.replay,
    s: () => {
      setFilled(!filled);
    },
    ArrowRight: () => {
      step(1);
    },
    ArrowLeft: () => {
      step(-1);
    },
    ...(inLesson ? {} : { f: toggleFull }),
  });

  return (
    <section
      ref={board}
      aria-label={`The letter ${letter.letter}`}
      className="flex min-h-0 min-w-0 flex-1 flex-col gap-3 bg-paper full:p-6"
    >
      {!inLesson && <h1 className="sr-only">The letter {letter.letter}</h1>}
      <div className="relative min-h-0 flex-1 overflow-hidden max-md:min-h-64 rounded-lg border-2 border-crease bg-leaf">
        <LetterModel
          letter={letter}
          timeline={timeline}
          time_s={time_s}
          numbered
          filled={filled}
          margin={2.2}
          className="absolute inset-0 h-full w-full"
        />
      </div>
      <Phrase
        letter={letter}
        current={playing || time_s < timeline.total_s ? currentPiece(timeline, time_s) : -1}
      />
      <div className="flex flex-wrap items-center gap-2 pb-1">
        <Button look="main" onClick={playing ? playback.pause : draw} className="min-w-32">
          {playing ? <Pause aria-hidden size={20} /> : <Play aria-hidden size={20} />}
          {playing ? "Pause" : "Draw it"}
        </Button>
        <Button onClick={playback.replay}>
          <RotateCcw aria-hidden size={18} /> Again
        </Button>
        <Button
          onClick={() => {
            step(-1);
          }}
        >
          <StepBack aria-hidden size={18} /> Back a move
        </Button>
        <Button
          onClick={() => {
            step(1);
          }}
        >
          <StepForward aria-hidden size={18} /> Next move
        </Button>
        <span className="flex-1" />
        <Choice label="Speed" value={speed} options={SPEEDS} onChange={changeSpeed} />
        {!inLesson && (
          <Button onClick={toggleFull}>
            <Maximize2 aria-hidden size={18} /> Full board
          </Button>
        )}
      </div>
      <div className="flex flex-wrap items-center gap-x-6 gap-y-1">
        <Tick label="Pause at each move" checked={pausing} onChange={setPausing} />
        <Tick label="Spaces it fills" checked={filled} onChange={setFilled} />
        <p className="text-sm text-soft full:hidden">
          Keys: space draws and pauses · ← → one move · R again · S spaces · F full board ·{" "}
          {inLesson
            ? "M another way to show it · page up and down the steps"
            : "1 to 5 the stations"}
        </p>
      </div>
    </section>
  );
}

/** The phrase, move by move; the move being drawn is marked. */
function Phrase({ letter, current }: { letter: Letter; current: number }) {
  return (
    <ol
      aria-label="Phrase"
      className="flex flex-wrap gap-x-8 gap-y-1 text-2xl big:text-[3.5rem] big:leading-tight"
    >
      {letter.strokes.flat().map((move, at) => (
        <li
          key={at}
          aria-current={at === current ? "step" : undefined}
          className="flex items-baseline gap-2 border-b-4 border-transparent aria-[current=step]:border-ember"
        >
          <span className="text-[0.65em] font-bold text-rule-deep">{at + 1}</span>
          <Spoken move={move} />
        </li>
      ))}
    </ol>
  );
}
