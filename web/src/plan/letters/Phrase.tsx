/** What is said move by move, to be put in the teacher's own words, here or wherever it comes. */
import { type ReactNode, useState } from "react";

import type { LetterPage, MoveWordsOut as MoveWords } from "../../api/schema";
import { useClassroom, useSetPhrase } from "../../api/queries";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/states";

/** A move of a stroke, or where the stroke begins. */
interface Place {
  stroke: number;
  move: number | "start";
}

export function Phrase({ page }: { page: LetterPage }) {
  const [edited, setEdited] = useState<Place>();
  const set = useSetPhrase();
  const helps = useClassroom().data?.helps ?? false;
  const numbers = numbered(page.moves);
  const said = edited ? saidAt(page, edited) : undefined;
  const chip = (place: Place, move: MoveWords, before: ReactNode) => (
    <li key={`${String(place.stroke)} ${String(place.move)}`}>
      <button
        type="button"
        aria-pressed={edited?.stroke === place.stroke && edited.move === place.move}
        onClick={() => {
          setEdited(place);
        }}
        className="inline-flex min-h-9 items-baseline gap-1.5 rounded-md border-2 border-transparent px-1.5 text-lg hover:border-crease aria-pressed:border-ink"
      >
        {before}
        <span className={move.changed_here || move.changed_everywhere ? "italic" : ""}>
          {move.words}
        </span>
      </button>
    </li>
  );
  return (
    <section aria-label="Phrase" className="flex min-w-0 flex-1 flex-col gap-2">
      <ol className="flex flex-wrap gap-x-2 gap-y-1">
        {page.moves.flatMap((stroke, at) => [
          ...page.starts
            .slice(at, at + 1)
            .map((start) =>
              chip(
                { stroke: at, move: "start" },
                start,
                <span className="text-sm text-soft">{at ? "lift, then start" : "start"}</span>,
              ),
            ),
          ...stroke.map((move, index) =>
            chip(
              { stroke: at, move: index },
              move,
              <span className="text-sm font-bold text-rule-deep">{numbers[at]?.[index]}</span>,
            ),
          ),
        ])}
      </ol>
      {helps ? null : edited && said ? (
        <Reword
          key={`${String(edited.stroke)} ${String(edited.move)} ${said.words}`}
          letter={page.letter}
          said={said}
          onKeep={(words, here) => {
            const move = edited.move === "start" ? 0 : edited.move;
            const place = here ? { letter: page.letter, stroke: edited.stroke, move } : {};
            set.mutate({ body: { key: said.key, words, stroke: 0, move: 0, ...place } });
          }}
        />
      ) : (
        <p className="text-sm text-soft">Press a move to say it in your own words.</p>
      )}
      {set.error ? <ProblemNote error={set.error} /> : null}
    </section>
  );
}

function saidAt(page: LetterPage, { stroke, move }: Place): MoveWords | undefined {
  return move === "start" ? page.starts[stroke] : page.moves[stroke]?.[move];
}

/** The number of each move, counted through all strokes. */
function numbered(strokes: readonly (readonly MoveWords[])[]): number[][] {
  let count = 0;
  return strokes.map((stroke) => stroke.map(() => ++count));
}

function Reword({
  letter,
  said,
  onKeep,
}: {
  letter: string;
  said: MoveWords;
  onKeep: (words: string, here: boolean) => void;
}) {
  const [words, setWords] = useState(said.words);
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onKeep(words, false);
      }}
    >
      <input
        // The teacher has just asked to reword this move: the keyboard goes there.
        ref={(input) => input?.focus()}
        aria-label="In your words"
        value={words}
        maxLength={60}
        onChange={(event) => {
          setWords(event.target.value);
        }}
        className="min-h-11 w-60 rounded-md border-2 border-crease bg-leaf px-3"
      />
      <Button type="submit" className="px-3">
        In every letter
      </Button>
      <Button
        className="px-3"
        onClick={() => {
          onKeep(words, true);
        }}
      >
        Only in {letter}
      </Button>
      {said.changed_here || said.changed_everywhere ? (
        <Button
          look="quiet"
          className="px-1"
          onClick={() => {
            onKeep("", said.changed_here);
          }}
        >
          Back to “{said.ours}”
        </Button>
      ) : null}
    </form>
  );
}
