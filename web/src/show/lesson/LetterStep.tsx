/** The letter made move by move; of several, one after another; a pair first as it is joined. */
import { Board } from "../Board";
import { DrawnPart } from "./DrawnPart";
import { OneOf } from "./OneOf";

export function LetterStep({ parts }: { parts: string[] }) {
  return (
    <OneOf parts={parts}>
      {(part) => (
        <DrawnPart part={part}>{(drawing) => <Board letter={drawing} inLesson />}</DrawnPart>
      )}
    </OneOf>
  );
}
