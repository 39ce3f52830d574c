/** Whose flags have come to their day: the teacher sees it where she looks at the class. */
import { Link } from "react-router";

import { useToLookAt } from "../api/childQueries";

export function LookAgain() {
  const due = useToLookAt().data ?? [];
  if (due.length === 0) return null;
  return (
    <section className="mt-3" aria-label="To look at again">
      <h2 className="font-medium">To look at again</h2>
      <ul className="flex flex-wrap gap-x-6">
        {due.map(({ pupil, kind, name }) => (
          <li key={`${String(pupil.id)} ${kind}`}>
            <Link to={`/grow/child/${String(pupil.id)}`} className="underline underline-offset-4">
              {pupil.name}
            </Link>
            : {name}
          </li>
        ))}
      </ul>
    </section>
  );
}
