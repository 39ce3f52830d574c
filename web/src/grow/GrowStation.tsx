/** Grow: the class map, on any day: how every letter of every child stands, and who moved. */
import { useState } from "react";
import { Link } from "react-router";

import type { MapOut } from "../api/schema";
import { useClassMap } from "../api/growQueries";
import { Choice } from "../ui/Choice";
import { Empty, Loading, ProblemNote } from "../ui/states";
import { ClassMap } from "./ClassMap";
import { Common } from "./Common";
import { DayLine } from "./DayLine";
import { Legend } from "./Legend";
import { OneLetter } from "./OneLetter";
import { WhoMoved } from "./WhoMoved";
import { lettersOf, type Place, type Shown, SHOWN } from "./map";

export function GrowStation() {
  const [day, setDay] = useState<string>();
  const found = useClassMap(day);
  if (found.isPending) return <Loading what="the map" />;
  if (found.isError) return <ProblemNote error={found.error} retry={() => void found.refetch()} />;
  if (found.data.rows.length === 0) return <Empty>There are no children in this class yet.</Empty>;
  return <MapOfADay map={found.data} asked={day} onDay={setDay} />;
}

function MapOfADay({
  map,
  asked,
  onDay,
}: {
  map: MapOut;
  /** The day that is asked for; the map may still be another's. */
  asked: string | undefined;
  onDay: (day: string) => void;
}) {
  const [shown, setShown] = useState<Shown>("weakest");
  const [place, setPlace] = useState<Place>();
  const row = place && map.rows.find(({ pupil }) => pupil.id === place.pupilId);
  return (
    <section className="px-5 pt-2 pb-4" aria-label="How the letters stand">
      <h1 className="sr-only">How the letters stand</h1>
      <div className="mb-1 flex flex-wrap items-center justify-between gap-x-6 gap-y-1">
        <Choice label="Shown" value={shown} options={SHOWN} onChange={setShown} />
        <Link to="/grow/groups" className="underline underline-offset-4">
          Groups for tomorrow
        </Link>
        <DayLine map={map} asked={asked} onDay={onDay} />
      </div>
      <ClassMap map={map} shown={shown} place={place} onPlace={setPlace} />
      <Legend />
      {row ? (
        <OneLetter row={row} at={place.at} letter={lettersOf(map)[place.at] ?? ""} />
      ) : (
        <Common map={map} />
      )}
      <WhoMoved map={map} />
    </section>
  );
}
