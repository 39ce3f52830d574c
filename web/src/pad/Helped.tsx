/** The help that lies on the sheet: a letter or word dotted to be traced, or only where it begins. */
import type { Help, LetterDrawing as Letter } from "../api/schema";
import { PenLine } from "../ink/PenLine";
import { StartDot } from "../ink/StartDot";

export function Helped({ letter, help }: { letter: Letter; help: Help | null }) {
  if (help !== "trace" && help !== "finish") return null;
  // Going back runs on dots that are there already; a dot is its own.
  const dotted = letter.strokes.flat().filter(({ kind }) => kind !== "back" && kind !== "dot");
  return (
    <>
      {help === "trace"
        ? dotted.map(({ points }, at) => (
            <PenLine key={at} points={points} width={0.06} dotted className="stroke-rule-deep" />
          ))
        : null}
      {letter.strokes.map(([first], at) =>
        first ? <StartDot key={at} points={first.points} r={0.1} /> : null,
      )}
    </>
  );
}
