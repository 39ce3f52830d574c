/** Show: the board. A letter is drawn on its lines, move by move, with what is said meanwhile. */
import { useLetter } from "../api/queries";
import { LetterTray } from "../ui/LetterChoice";
import { Loading, ProblemNote } from "../ui/states";
import { Board } from "./Board";

export function ShowStation({ letter }: { letter: string }) {
  const drawing = useLetter(letter);
  return (
    <div className="flex min-h-0 flex-1 gap-5 px-5 py-4">
      <LetterTray station="show" letter={letter} />
      {drawing.isPending ? <Loading what={`the letter ${letter}`} /> : null}
      {drawing.isError ? (
        <ProblemNote error={drawing.error} retry={() => void drawing.refetch()} />
      ) : null}
      {drawing.data ? <Board letter={drawing.data} /> : null}
    </div>
  );
}
