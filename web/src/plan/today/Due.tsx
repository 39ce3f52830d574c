/** Taught letters that should come back today, and why. */
import type { TodayOut as Today } from "../../api/schema";
import { SmallLetter } from "../../ui/SmallLetter";

const MOST = 6;

export function Due({ due }: { due: Today["due"] }) {
  const now = due.filter(({ days_over }) => days_over >= 0).slice(0, MOST);
  return (
    <section aria-label="Due today">
      <h2 className="mb-1 font-bold">Should come back today</h2>
      {now.length === 0 ? (
        <p className="text-soft">No taught letter is due.</p>
      ) : (
        <ul>
          {now.map(({ letter, why }) => (
            <li key={letter} className="flex items-center gap-3 border-b border-rule/60 py-0.5">
              <SmallLetter letter={letter} className="h-10" />
              <span className="sr-only">{letter}</span>
              {why}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
