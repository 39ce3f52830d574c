/** Show: the board. A letter is drawn on its lines, move by move, with what is said meanwhile. */
import { useLetter } from "../api/queries";
import { LetterButton, LetterTray } from "../ui/LetterChoice";
import { Loading, ProblemNote } from "../ui/states";
import { useNarrow } from "../ui/useNarrow";
import { Board } from "./Board";

export function ShowStation({ letter }: { letter: string }) {
  const drawing = useLetter(letter);
  const narrow = useNarrow();
  return (
    <div className="flex min-h-0 flex-1 gap-5 px-5 py-4 max-md:flex-col">
      {narrow ? (
        <div>
          <LetterButton station="show" letter={letter} />
        </div>
      ) : (
        <LetterTray station="show" letter={letter} />
      )}
      {drawing.isPending ? <Loading what={`the letter ${letter}`} /> : null}
      {drawing.isError ? (
        <ProblemNote error={drawing.error} retry={() => void drawing.refetch()} />
      ) : null}
      {drawing.data ? <Board letter={drawing.data} /> : null}
    </div>
  );
}
