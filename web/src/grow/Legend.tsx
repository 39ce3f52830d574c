/** What the marks of the map mean. */
import { StateMark } from "./StateMark";
import { STATE_NAMES } from "./map";

export function Legend() {
  return (
    <ul className="mt-1 flex flex-wrap gap-x-5 text-sm text-soft" aria-label="What the marks mean">
      {(["secure", "nearly", "not_yet", "unknown"] as const).map((state) => (
        <li key={state} className="flex items-center gap-1.5">
          <StateMark state={state} />
          {STATE_NAMES[state]}
        </li>
      ))}
      <li className="flex items-center gap-1.5">
        <span className="size-3.5 bg-crease/50" aria-hidden /> not taught by then
      </li>
      <li>A corner: better (above) or less sure (below) than a week before</li>
    </ul>
  );
}
