/** Whose letters stand otherwise than a week before the day of the map; by name. */
import type { MapOut } from "../api/schema";
import { isUp, STATE_NAMES } from "./map";

export function WhoMoved({ map }: { map: MapOut }) {
  const moved = map.rows.filter(({ moved }) => moved.length > 0);
  return (
    <section className="mt-3" aria-label="Who moved">
      <h2 className="font-medium">Since a week before</h2>
      {moved.length === 0 ? <p className="text-soft">Every letter stands as it stood.</p> : null}
      <ul className="columns-2 gap-x-10 max-sm:columns-1 xl:columns-3">
        {moved.map(({ pupil, moved }) => (
          <li key={pupil.id} className="break-inside-avoid">
            <span className="font-medium">{pupil.name}</span>:{" "}
            {moved.map(({ letter, before, now }, at) => (
              <span key={letter}>
                {at > 0 ? ", " : ""}
                {letter} {isUp({ before, now }) ? "now" : "now only"} {STATE_NAMES[now]}
              </span>
            ))}
          </li>
        ))}
      </ul>
    </section>
  );
}
