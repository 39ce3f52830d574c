/** The family of the lesson's letters: what they have in common, and which one is an exception. */
import { useLetterPage } from "../../api/queries";
import { SmallLetter } from "../../ui/SmallLetter";
import { Empty, Loading, ProblemNote } from "../../ui/states";
import { OneOf } from "./OneOf";

export function FamilyStep({ letters }: { letters: string[] }) {
  return <OneOf parts={letters}>{(letter) => <Family letter={letter} letters={letters} />}</OneOf>;
}

function Family({ letter, letters }: { letter: string; letters: string[] }) {
  const page = useLetterPage(letter);
  if (page.isPending) return <Loading what="the family" />;
  if (page.isError) {
    return <ProblemNote error={page.error} retry={() => void page.refetch()} />;
  }
  const { family } = page.data;
  if (!family) return <Empty>{letter} is in no family of the class&rsquo;s scheme yet.</Empty>;
  return (
    <div className="flex min-h-0 flex-1 flex-col items-center justify-evenly gap-4">
      <p className="text-2xl font-bold big:text-[3.5rem]">{family.family}</p>
      <ul className="flex min-h-0 w-full flex-1 items-center justify-center gap-5">
        {family.letters.map((one) => (
          <li
            key={one}
            className={`flex h-[min(100%,26rem)] min-w-0 flex-1 items-center justify-center rounded-lg border-2 bg-leaf px-2 big:h-[min(100%,38rem)] ${letters.includes(one) ? "border-ink bg-rule-wash" : "border-crease"}`}
          >
            <span className="sr-only">{one}</span>
            <SmallLetter letter={one} className="h-full max-w-full" />
          </li>
        ))}
      </ul>
      <p className="max-w-4xl text-center text-2xl big:text-[2.75rem] big:leading-tight">
        {family.why}
      </p>
      {family.exception !== null && (
        <p className="text-xl text-ember big:text-[2.25rem]">
          {letter} {family.exception}.
        </p>
      )}
    </div>
  );
}
