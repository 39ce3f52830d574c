/** The moves of a letter with the words said of them; one is chosen, to be mended or reworded. */
import { useState } from "react";

import type { Understood } from "../../api/schema";
import { useSetPhrase } from "../../api/queries";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/states";
import type { Place } from "./draft";

const LONGEST = 60;

export function MovesOfLetter({
  letter,
  chosen,
  onChoose,
}: {
  letter: Understood;
  chosen: Place;
  onChoose: (place: Place) => void;
}) {
  const before = letter.drawing.strokes.map((_, at) =>
    letter.drawing.strokes.slice(0, at).reduce((sum, moves) => sum + moves.length, 0),
  );
  return (
    <ol aria-label="Moves" className="flex flex-wrap gap-x-1 gap-y-1">
      {letter.drawing.strokes.flatMap((moves, stroke) =>
        moves.map(({ words, begin }, move) => {
          const isChosen = chosen.stroke === stroke && chosen.move === move;
          return (
            <li key={`${String(stroke)}.${String(move)}`} className="flex items-baseline gap-1">
              {begin ? <span className="pl-1 text-sm text-soft">{begin}:</span> : null}
              <button
                type="button"
                aria-pressed={isChosen}
                onClick={() => {
                  onChoose({ stroke, move });
                }}
                className="inline-flex min-h-9 items-baseline gap-1.5 rounded-md border-2 border-transparent px-1.5 hover:border-crease aria-pressed:border-ink"
              >
                <span className="text-sm font-bold text-rule-deep">
                  {(before[stroke] ?? 0) + move + 1}
                </span>
                {words}
              </button>
            </li>
          );
        }),
      )}
    </ol>
  );
}

/** What is said of one move, in her words; kept with the hand, for a letter that stands. */
export function Reworded({
  hand,
  of,
  letter,
  place,
  onSaid,
}: {
  hand: string;
  of: string;
  letter: Understood;
  place: Place;
  onSaid: () => void;
}) {
  const said = letter.drawing.strokes[place.stroke]?.[place.move]?.words ?? "";
  const key = letter.keys[place.stroke]?.[place.move] ?? "";
  const [words, setWords] = useState(said);
  const set = useSetPhrase();
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        set.mutate(
          { body: { hand, key, letter: of, ...place, words: words === said ? said : words } },
          { onSuccess: onSaid },
        );
      }}
    >
      <input
        aria-label="What is said of this move"
        value={words}
        maxLength={LONGEST}
        onChange={(event) => {
          setWords(event.target.value);
        }}
        className="min-h-9 w-64 rounded-md border-2 border-crease bg-leaf px-2"
      />
      <Button small type="submit" disabled={set.isPending || words === said}>
        Say it so
      </Button>
      {set.error ? <ProblemNote error={set.error} /> : null}
    </form>
  );
}
