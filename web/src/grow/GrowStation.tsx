/** Grow: the class map, on any day: how every letter of every child stands, and who moved. */
import { useState } from "react";
import { Link } from "react-router";

import { addressOf } from "../api/client";
import { useHerClasses } from "../api/schoolQueries";
import type { MapOut } from "../api/schema";
import { useClassMap } from "../api/growQueries";
import { Choice } from "../ui/Choice";
import { useSettled } from "../ui/useSettled";
import { Empty, Loading, ProblemNote } from "../ui/states";
import { ClassMap } from "./ClassMap";
import { Common } from "./Common";
import { DayLine } from "./DayLine";
import { Legend } from "./Legend";
import { LookAgain } from "./LookAgain";
import { OneLetter } from "./OneLetter";
import { WhoMoved } from "./WhoMoved";
import { lettersOf, type Place, type Shown, SHOWN } from "./map";

/** A day that is not slid on from for so long is the one that was looked for. */
const SETTLES_MS = 250;

export function GrowStation() {
  const [day, setDay] = useState<string>();
  const settled = useSettled(day, SETTLES_MS);
  const [shown, setShown] = useState<Shown>("weakest");
  const found = useClassMap(day, { alone: !settled, words: shown === "words" });
  if (found.isPending) return <Loading what="the map" />;
  if (found.isError) return <ProblemNote error={found.error} retry={() => void found.refetch()} />;
  const map = found.data;
  if (map.rows.length === 0) return <Empty>There are no children in this class yet.</Empty>;
  return (
    <section className="px-5 pt-2 pb-4" aria-label="How the letters stand">
      <h1 className="sr-only">How the letters stand</h1>
      <div className="mb-1 flex flex-wrap items-center justify-between gap-x-6 gap-y-1">
        <Choice label="Shown" value={shown} options={SHOWN} onChange={setShown} />
        <DayLine map={map} asked={day} onDay={setDay} />
      </div>
      <MapOfADay map={map} shown={shown} isWhole={settled && !found.isPlaceholderData} />
    </section>
  );
}

function MapOfADay({
  map,
  shown,
  isWhole,
}: {
  map: MapOut;
  shown: Shown;
  /** Whether it tells who moved: not while a day is still looked for. */
  isWhole: boolean;
}) {
  const [place, setPlace] = useState<Place>();
  const several = (useHerClasses().data?.classes.length ?? 0) > 1;
  const row = place && map.rows.find(({ pupil }) => pupil.id === place.pupilId);
  return (
    <>
      <ClassMap map={map} shown={shown} place={place} onPlace={setPlace} />
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <Legend shown={shown} />
        <p className="flex gap-5">
          <Link to="/grow/groups" className="underline underline-offset-4">
            Groups for tomorrow
          </Link>
          {several ? (
            <Link to="/grow/classes" className="underline underline-offset-4">
              All classes
            </Link>
          ) : null}
          <a
            href={addressOf("/api/grow/summary", {})}
            download
            className="underline underline-offset-4"
          >
            Save as a table
          </a>
        </p>
      </div>
      {row ? (
        <OneLetter row={row} at={place.at} letter={lettersOf(map)[place.at] ?? ""} />
      ) : isWhole ? (
        <Common map={map} />
      ) : null}
      <LookAgain />
      {isWhole ? <WhoMoved map={map} /> : null}
    </>
  );
}
