/** All classes of hers by letter and movement: in how many children each holds. No child is named. */
import { Link } from "react-router";

import { useSchoolMap } from "../api/growQueries";
import type { SharesOut } from "../api/schema";
import { SmallLetter } from "../ui/SmallLetter";
import { Empty, Loading, ProblemNote } from "../ui/states";

export function SchoolMap() {
  const found = useSchoolMap();
  if (found.isPending) return <Loading what="the classes" />;
  if (found.isError) return <ProblemNote error={found.error} retry={() => void found.refetch()} />;
  const { classes, letters, habits, least } = found.data;
  const met = habits
    .map((habit, at) => ({ ...habit, at }))
    .filter(({ at }) => classes.some((one) => one.habits[at]));
  if (met.length === 0) {
    return <Empty>Too little is written in these classes to say how they stand.</Empty>;
  }
  return (
    <section className="px-5 py-3" aria-label="All classes">
      <header className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="text-2xl font-bold">All classes</h1>
        <Link to="/grow" className="underline underline-offset-4">
          The class map
        </Link>
      </header>
      <p className="text-soft">
        A column is the children of a class who wrote the letter: filled as far as it is secure,
        dotted where it is not there yet. No child is named, and of fewer than {least} nothing is
        said.
      </p>
      <div className="relative mt-2 overflow-x-auto">
        <table className="w-full min-w-[70rem] table-fixed border-collapse">
          <caption className="sr-only">Classes by letters</caption>
          <thead>
            <tr>
              <th scope="col" className="w-48 text-left">
                <span className="sr-only">Class</span>
              </th>
              {letters.map((letter) => (
                <th key={letter} scope="col" className="h-8 p-0 align-bottom">
                  <span className="sr-only">{letter}</span>
                  <SmallLetter letter={letter} className="mx-auto h-7 max-w-full" />
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {classes.map((one) => (
              <tr key={one.id} className="h-12 border-b border-rule/40">
                <th scope="row" className="truncate pr-2 text-left font-medium">
                  {one.name}
                  <span className="block text-sm font-normal text-soft">
                    {one.children} children
                  </span>
                </th>
                {one.letters.map((shares, at) => (
                  <td key={letters[at]} className="p-0">
                    <Column shares={shares ?? null} />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="relative mt-6 overflow-x-auto">
        <table className="border-collapse">
          <caption className="text-left text-lg font-bold">Movements and lines</caption>
          <thead>
            <tr>
              <th scope="col">
                <span className="sr-only">Movement or line</span>
              </th>
              {classes.map(({ id, name }) => (
                <th key={id} scope="col" className="max-w-40 px-3 text-left text-sm font-medium">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {met.map(({ name, where, at }) => (
              <tr key={at} className="border-b border-rule/40">
                <th scope="row" className="py-0.5 pr-4 text-left font-normal">
                  {name}: <span className="text-soft">{where}</span>
                </th>
                {classes.map((one) => (
                  <td key={one.id} className="px-3">
                    <InWords shares={one.habits[at] ?? null} />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function told({ secure, nearly, not_yet }: SharesOut): string {
  const all = secure + nearly + not_yet;
  const others = not_yet > 0 ? `, ${String(not_yet)} not yet` : "";
  return `${String(secure)} of ${String(all)} secure${others}`;
}

const HEIGHT = 30;

/** Of all children in a column: from the foot those for whom it is secure, on top the others. */
function Column({ shares }: { shares: SharesOut | null }) {
  if (!shares) return null;
  const { secure, nearly, not_yet } = shares;
  const each = HEIGHT / (secure + nearly + not_yet);
  return (
    <svg viewBox={`0 0 12 ${String(HEIGHT)}`} className="mx-auto h-9" role="img">
      <title>{told(shares)}</title>
      <rect x={1} y={0.5} width={10} height={HEIGHT - 1} className="fill-leaf stroke-rule" />
      <rect
        x={1}
        y={HEIGHT - secure * each}
        width={10}
        height={secure * each}
        className="fill-rule-deep"
      />
      {not_yet > 0 ? (
        <line
          x1={6}
          x2={6}
          y1={2}
          y2={Math.max(2.1, not_yet * each - 1)}
          className="stroke-ember"
          strokeWidth={3}
          strokeDasharray="0.1 4"
          strokeLinecap="round"
        />
      ) : null}
    </svg>
  );
}

function InWords({ shares }: { shares: SharesOut | null }) {
  if (!shares) return <span className="text-soft">–</span>;
  return <span className={shares.not_yet > 0 ? "" : "text-soft"}>{told(shares)}</span>;
}
