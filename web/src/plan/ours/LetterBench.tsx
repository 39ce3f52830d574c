/** One letter of a hand: written here, beside it how it was understood; mended, accepted. */
import { Check } from "lucide-react";
import { useState } from "react";

import type { InkStroke, OwnLetterOut, RulingLine as Line, Understood } from "../../api/schema";
import { exact } from "../../api/client";
import {
  useAccept,
  useGiveUp,
  useMend,
  useTakeSampleBack,
  useTry,
  useWriteSample,
} from "../../api/ownHandQueries";
import { inkOf } from "../../ink/usePad";
import { Button } from "../../ui/Button";
import { ConfirmButton } from "../../ui/ConfirmButton";
import { Failed } from "../../ui/states";
import { useShortcuts } from "../../ui/useShortcuts";
import { after, begun, type Draft, type Place, placeIn, shown, stepped, undone } from "./draft";
import { type Mending, MendTools } from "./MendTools";
import { MovesOfLetter, Reworded } from "./MovesOfLetter";
import { Samples } from "./Samples";
import { UnderstoodPicture } from "./UnderstoodPicture";
import { WriteLetter } from "./WriteLetter";

export function LetterBench({
  hand,
  found,
  lines,
  onStands,
  onReworded,
}: {
  hand: string;
  found: OwnLetterOut;
  lines: readonly Line[];
  onStands: () => void;
  onReworded: () => void;
}) {
  const { letter } = found;
  const at = { name: hand, letter };
  const [ink, setInk] = useState<readonly InkStroke[]>([]);
  const write = useWriteSample(hand, letter);
  const attempt = useTry();
  const back = useTakeSampleBack(hand, letter);
  const giveUp = useGiveUp(hand, letter);
  const accept = useAccept(hand, letter);
  const acceptIt = (strokes: string[]) => {
    accept.mutate({ params: { path: at }, body: { strokes } }, { onSuccess: onStands });
  };
  /** What is being written is kept; and then, if it was meant so, accepted as it is understood. */
  const done = (andAccept = false) => {
    if (ink.length === 0 || write.isPending) return;
    write.mutate(
      { params: { path: at }, body: { strokes: inkOf(ink) } },
      {
        onSuccess: (made) => {
          setInk([]);
          attempt.reset();
          if (andAccept && made.understood) acceptIt(made.understood.strokes);
        },
      },
    );
  };
  /** At each lift of the pen it is seen how what is there so far is understood. */
  const change = (strokes: InkStroke[]) => {
    setInk(strokes);
    attempt.reset();
    if (strokes.length > 0) {
      attempt.mutate({ params: { path: at }, body: { strokes: inkOf(strokes) } });
    }
  };
  const seen = attempt.data ? exact<OwnLetterOut>(attempt.data) : found;
  // What was written last is looked at; without a sample, the letter as it stands.
  const mended = seen === found && found.stands === "mended";
  const of = mended ? found.now : (seen.understood ?? found.now);
  return (
    <section
      aria-label={`The letter ${letter}`}
      className="flex min-h-0 min-w-0 flex-1 flex-col gap-3"
    >
      <div className="flex items-baseline gap-3">
        <h2 className="text-2xl font-bold">{letter}</h2>
        <p className="text-soft">{standing(found)}</p>
        <span className="flex-1" />
        {found.samples.length > 0 || found.stands ? (
          <ConfirmButton
            label={`Forget my ${letter}`}
            question={`What you wrote of ${letter} is forgotten, and it is written as the hand that you began with has it.`}
            yes="Forget it"
            onYes={() => {
              giveUp.mutate({ params: { path: at } });
            }}
          />
        ) : null}
      </div>
      <div className="flex min-h-0 flex-1 gap-4 max-lg:flex-col">
        <div className="flex min-h-0 min-w-0 flex-[4] flex-col gap-2">
          <h3 className="text-sm text-soft">Write it here, once or some times</h3>
          <WriteLetter
            what={letter}
            lines={lines}
            strokes={ink}
            onChange={change}
            onDone={() => {
              done();
            }}
            busy={write.isPending}
          />
          <Samples
            letter={letter}
            samples={found.samples}
            lines={lines}
            onTakeBack={(sample_id) => {
              back.mutate({ params: { path: { ...at, sample_id } } });
            }}
          />
        </div>
        <Mended
          key={of.strokes.join("//")}
          hand={hand}
          found={seen}
          of={of}
          pending={ink.length > 0}
          busy={accept.isPending || write.isPending}
          onAccept={(strokes) => {
            if (ink.length > 0) done(true);
            else acceptIt(strokes);
          }}
          onReworded={onReworded}
        />
      </div>
      <Failed of={[write, back, giveUp, accept]} />
    </section>
  );
}

/** Whether there is something of hers to accept. */
function standing({ stands, understood, samples }: OwnLetterOut): string {
  if (stands === "mended") return "Yours, as you mended it.";
  if (stands === "pen") return "Yours, as you wrote it.";
  if (understood) return "Is this how it goes?";
  if (samples.length > 0) return "No good one so far.";
  return "Lent by the hand that you began with.";
}

function Mended({
  hand,
  found,
  of,
  pending,
  busy,
  onAccept,
  onReworded,
}: {
  hand: string;
  found: OwnLetterOut;
  of: Understood;
  /** Something is being written: it is what is accepted, and not the letter as it stands. */
  pending: boolean;
  busy: boolean;
  onAccept: (strokes: string[]) => void;
  onReworded: () => void;
}) {
  const { letter } = found;
  const at = { name: hand, letter };
  const [draft, setDraft] = useState<Draft>(() => begun(of));
  const [chosen, setChosen] = useState<Place>({ stroke: 0, move: 0 });
  const mend = useMend();
  const now = shown(draft);
  const place = placeIn(now, chosen);
  const changed = now.strokes.join() !== found.now.strokes.join();
  const canAccept = found.understood !== null || draft.steps.length > 0;
  const stands = found.stands !== null && !changed && !pending;

  const mendIt = (mending: Mending) => {
    if (mend.isPending) return;
    mend.mutate(
      { params: { path: at }, body: { strokes: now.strokes, ...place, ...mending } },
      {
        onSuccess: (step) => {
          setDraft(after(draft, exact<Understood>(step)));
        },
      },
    );
  };
  const undo = () => {
    mend.reset();
    setDraft(undone(draft));
  };
  const acceptIt = () => {
    if (canAccept && !stands && !busy) onAccept(now.strokes);
  };
  useShortcuts({
    s: () => {
      mendIt({ mend: "straight", way: "up" });
    },
    b: () => {
      mendIt({ mend: "back", way: "up" });
    },
    t: () => {
      mendIt({ mend: "turn", way: "up" });
    },
    w: () => {
      mendIt({ mend: "swap", way: "up" });
    },
    n: () => {
      setChosen(stepped(now, place, 1));
    },
    p: () => {
      setChosen(stepped(now, place, -1));
    },
    ArrowLeft: () => {
      mendIt({ mend: "start", way: "left" });
    },
    ArrowRight: () => {
      mendIt({ mend: "start", way: "right" });
    },
    ArrowUp: () => {
      mendIt({ mend: "start", way: "up" });
    },
    ArrowDown: () => {
      mendIt({ mend: "start", way: "down" });
    },
    z: undo,
    Enter: acceptIt,
  });
  return (
    <div className="flex min-h-0 min-w-0 flex-[5] flex-col gap-2">
      <h3 className="text-sm text-soft">
        {found.understood
          ? `Understood ${form(found.understood.form)}, over your ink`
          : "As it stands"}
      </h3>
      <div className="relative min-h-48 flex-1 rounded-lg border-2 border-crease bg-leaf">
        <UnderstoodPicture
          letter={now}
          samples={found.samples}
          chosen={place}
          label={`${letter} as it was understood`}
        />
      </div>
      <MovesOfLetter letter={now} chosen={place} onChoose={setChosen} />
      <Reworded
        key={`${String(place.stroke)}.${String(place.move)} ${now.drawing.phrase}`}
        hand={hand}
        of={letter}
        letter={now}
        place={place}
        onSaid={onReworded}
      />
      <MendTools
        strokes={now.strokes.length}
        canUndo={draft.steps.length > 0}
        busy={mend.isPending}
        onMend={mendIt}
        onUndo={undo}
      />
      {now.family ? (
        <p className="border-l-4 border-ember pl-2 text-sm">
          So made, {letter} {now.family}: it is an exception in its family.
        </p>
      ) : null}
      <div className="flex items-center gap-3">
        <Button look="main" disabled={!canAccept || stands || busy} onClick={acceptIt}>
          <Check aria-hidden size={18} /> {stands ? "It stands" : "So it goes"}
        </Button>
        {stands || !canAccept ? null : (
          <span className="text-sm text-soft">Enter; or write it again.</span>
        )}
      </div>
      <Failed of={[mend]} />
    </div>
  );
}

function form(of: string): string {
  if (of === "base") return "as the hand that you began with writes it";
  if (of.startsWith("alternative:")) return `as its other way, ${of.slice("alternative:".length)}`;
  return "as your own form";
}
