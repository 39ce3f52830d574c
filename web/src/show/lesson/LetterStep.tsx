/** The letter made move by move; of several, one after another. */
import { useState } from "react";

import { useLetter } from "../../api/queries";
import { Choice } from "../../ui/Choice";
import { Loading, ProblemNote } from "../../ui/states";
import { Board } from "../Board";

export function LetterStep({ letters }: { letters: string[] }) {
  const [letter, setLetter] = useState(letters[0] ?? "");
  const drawing = useLetter(letter);
  if (drawing.isPending) return <Loading what={`the letter ${letter}`} />;
  if (drawing.isError) return <ProblemNote error={drawing.error} />;
  return (
    <>
      {letters.length > 1 && (
        <Choice
          label="Letter"
          value={letter}
          options={letters.map((one) => ({ value: one, label: one }))}
          onChange={setLetter}
        />
      )}
      <Board key={letter} letter={drawing.data} inLesson />
    </>
  );
}
