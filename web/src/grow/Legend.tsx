/** What the marks of the map mean. */
import { StateMark } from "./StateMark";
import { nameOf, type Shown } from "./map";

export function Legend({ shown }: { shown: Shown }) {
  const states = (["secure", "nearly", "not_yet", "unknown"] as const).filter(
    (state) => nameOf(state, shown) !== "",
  );
  return (
    <ul className="mt-1 flex flex-wrap gap-x-5 text-sm text-soft" aria-label="What the marks mean">
      {states.map((state) => (
        <li key={state} className="flex items-center gap-1.5">
          <StateMark state={state} />
          {nameOf(state, shown)}
        </li>
      ))}
      <li className="flex items-center gap-1.5">
        <span className="size-3.5 bg-crease/50" aria-hidden /> not taught by then
      </li>
      {shown === "words" ? (
        <li>Eight weeks before the day</li>
      ) : (
        <li>A corner: better (above) or less sure (below) than a week before</li>
      )}
    </ul>
  );
}
