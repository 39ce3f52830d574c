/** In which zone the school's days are counted. */
import { useSetZone } from "../api/schoolQueries";
import type { SchoolOut } from "../api/schema";
import { ProblemNote } from "../ui/states";

export function DaysPart({ school }: { school: SchoolOut }) {
  const set = useSetZone();
  const clock = school.now.slice(11, 16);
  return (
    <>
      <label className="flex flex-wrap items-center gap-3">
        <span>Time zone of the school</span>
        <select
          value={school.time_zone}
          onChange={(event) => {
            set.mutate({ body: { time_zone: event.target.value } });
          }}
          className="min-h-10 rounded-md border-2 border-crease bg-leaf px-2"
        >
          {school.time_zones.map((zone) => (
            <option key={zone}>{zone}</option>
          ))}
        </select>
        <span className="text-soft">There it is {clock} now.</span>
      </label>
      <p className="text-soft">A lesson and a letter belong to the day it is there.</p>
      {set.error ? <ProblemNote error={set.error} /> : null}
    </>
  );
}
