/** The families of the lesson's letters: what they have in common, and which ones are exceptions. */
import type { FamilyOut as Family, LetterDrawing as Letter } from "../../api/schema";
import { useFamiliesOf } from "../../api/schemeQueries";
import { boxOf, viewBoxOf, viewOf } from "../../ink/geometry";
import { PenLine } from "../../ink/PenLine";
import { RuledLines } from "../../ink/RuledLines";
import { Empty, Loading, ProblemNote } from "../../ui/states";
import { DrawnPart } from "./DrawnPart";
import { OneOf } from "./OneOf";

/** Letters that stand in one row; more stand in two. */
const A_ROW = 5;

export function FamilyStep({ letters }: { letters: string[] }) {
  const families = useFamiliesOf(letters);
  if (families.isError) {
    return <ProblemNote error={families.error} retry={() => void families.refetch()} />;
  }
  if (!families.data) return <Loading what="the family" />;
  if (families.data.length === 0) {
    return <Empty>{letters.join(", ")}: in no family of the class&rsquo;s scheme yet.</Empty>;
  }
  return (
    <OneOf label="Family" parts={families.data.map(({ name }) => name)}>
      {(name) => {
        const family = families.data.find((one) => one.name === name);
        return family ? <OneFamily family={family} letters={letters} /> : null;
      }}
    </OneOf>
  );
}

function OneFamily({ family, letters }: { family: Family; letters: string[] }) {
  const rows = Math.ceil(family.letters.length / A_ROW);
  const columns = Math.ceil(family.letters.length / rows);
  const exceptions = Object.entries({ ...family.differs, ...family.exceptions });
  return (
    <div className="flex min-h-0 flex-1 flex-col items-center justify-evenly gap-4">
      <p className="text-2xl font-bold big:text-[3.5rem]">{family.name}</p>
      <ul
        className="grid min-h-0 w-full flex-1 auto-rows-fr gap-4"
        style={{ gridTemplateColumns: `repeat(${String(columns)}, minmax(0, 1fr))` }}
      >
        {family.letters.map((one) => (
          <li
            key={one}
            className={`flex min-h-0 min-w-0 items-center justify-center rounded-lg border-2 bg-leaf px-2 ${letters.includes(one) ? "border-ink bg-rule-wash" : "border-crease"}`}
          >
            <span className="sr-only">{one}</span>
            <DrawnPart part={one}>{(drawing) => <Whole letter={drawing} />}</DrawnPart>
          </li>
        ))}
      </ul>
      <p className="max-w-4xl text-center text-2xl big:text-[2.75rem] big:leading-tight">
        {family.why}
      </p>
      {exceptions
        .filter(([letter]) => letters.includes(letter))
        .map(([letter, how]) => (
          <p key={letter} className="text-xl text-ember big:text-[2.25rem]">
            {letter} {how}.
          </p>
        ))}
    </div>
  );
}

/** A letter as large as there is room, as smooth as it is drawn on the board. */
function Whole({ letter }: { letter: Letter }) {
  const moves = letter.strokes.flat();
  const view = viewOf(letter.lines, boxOf(moves.map(({ points }) => points)), 0.5);
  return (
    <svg viewBox={viewBoxOf(view)} className="h-full max-h-full w-full max-w-full" aria-hidden>
      <RuledLines lines={letter.lines} />
      {moves.map(({ points }, at) => (
        <PenLine key={at} points={points} width={0.13} />
      ))}
    </svg>
  );
}
