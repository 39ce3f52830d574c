/** Grow: children by letters, the three verdicts of each as they stand. By name, never by rank. */
import { Link } from "react-router";

import type { GrowOut as Grow } from "../api/schema";
import { useGrow } from "../api/attemptQueries";
import { ClassStage, PupilStage } from "../ui/Stages";
import { SmallLetter } from "../ui/SmallLetter";
import { Empty, Loading, ProblemNote } from "../ui/states";
import { DIMENSIONS, VERDICT_NAMES, VerdictMark } from "../ui/VerdictMark";

export function GrowStation() {
  const grow = useGrow();
  if (grow.isPending) return <Loading what="the record" />;
  if (grow.isError) return <ProblemNote error={grow.error} retry={() => void grow.refetch()} />;
  if (grow.data.pupils.length === 0) return <Empty>There are no children in this class yet.</Empty>;
  return (
    <section className="px-5 py-4" aria-label="How the letters stand">
      <h1 className="sr-only">How the letters stand</h1>
      <ClassStage />
      <Standings grow={grow.data} />
      <Legend />
    </section>
  );
}

function Standings({ grow }: { grow: Grow }) {
  return (
    // A table of two dimensions may scroll by itself; the page may not.
    <div
      role="region"
      aria-label="Children by letters"
      // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- what scrolls must be reached
      tabIndex={0}
      className="relative overflow-x-auto outline-offset-[-3px]"
    >
      <table className="border-collapse">
        <thead>
          <tr className="border-b-2 border-rule-deep">
            <th
              scope="col"
              className="sticky left-0 z-1 bg-paper py-1 pr-4 text-left align-bottom font-medium text-soft"
            >
              Child
            </th>
            {grow.letters.map((letter) => (
              <th key={letter} scope="col" className="py-1 pr-10 text-left align-bottom">
                <span className="sr-only">{letter}</span>
                <SmallLetter letter={letter} className="h-12" />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {grow.pupils.map(({ pupil, letters }) => (
            <tr key={pupil.id} className="border-b border-rule/60 hover:bg-rule-wash/60">
              <th
                scope="row"
                className="sticky left-0 z-1 bg-paper py-1.5 pr-4 text-left text-lg font-medium sm:pr-10"
              >
                <span className="inline-flex items-baseline gap-x-2 max-sm:flex-col">
                  <span className="min-w-16">{pupil.name}</span>
                  <PupilStage pupil={pupil} />
                </span>
              </th>
              {letters.map((standing) => (
                <td key={standing.letter} className="py-1 pr-10">
                  {standing.attempts === 0 ? (
                    <span className="text-soft">not written yet</span>
                  ) : (
                    <Link
                      to={`/check/${standing.letter}?pupil=${pupil.id}`}
                      className="inline-flex items-center gap-2 rounded-md px-1.5 py-0.5 whitespace-nowrap hover:bg-leaf"
                      aria-label={`${pupil.name}, ${standing.letter}: ${DIMENSIONS.map(
                        ({ key, name }) =>
                          `${name.toLowerCase()} ${VERDICT_NAMES[standing.verdicts[key]]}`,
                      ).join(", ")}; ${standing.attempts} written`}
                    >
                      {DIMENSIONS.map(({ key, name }) => (
                        <VerdictMark key={key} verdict={standing.verdicts[key]} label={name} />
                      ))}
                      <span className="text-sm text-soft">{standing.attempts} written</span>
                    </Link>
                  )}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Legend() {
  return (
    <div className="mt-4 flex flex-wrap items-center gap-x-8 gap-y-2 text-soft">
      <p>
        In each place, from the left: {DIMENSIONS.map(({ name }) => name.toLowerCase()).join(", ")}.
      </p>
      <ul className="flex flex-wrap gap-x-6">
        {(["secure", "nearly", "not_yet", "unseen"] as const).map((verdict) => (
          <li key={verdict} className="flex items-center gap-1.5">
            <VerdictMark verdict={verdict} label="Mark" />
            {VERDICT_NAMES[verdict]}
          </li>
        ))}
      </ul>
      <p>Your own word counts where you gave it; otherwise the newest letter.</p>
    </div>
  );
}
