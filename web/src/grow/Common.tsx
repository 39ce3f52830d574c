/** What most children of the class have in common, on the day of the map. */
import type { MapCommon, MapOut } from "../api/schema";

export function Common({ map: { weakest, slip } }: { map: MapOut }) {
  return (
    <div className="mt-2 min-h-16">
      {weakest ? (
        <p>
          Hardest for most: <Letters of={weakest} />, not yet for {children(weakest)}.
        </p>
      ) : null}
      {slip ? (
        <p>
          Commonest slip of four weeks: <span className="font-medium">{slip.slip}</span>, in{" "}
          <Letters of={slip} />; {children(slip)}.
        </p>
      ) : null}
      <p className="text-soft">A square tells more, and opens the letters behind it.</p>
    </div>
  );
}

function Letters({ of }: { of: MapCommon }) {
  return <span className="font-medium">{of.letters.join(" ")}</span>;
}

function children({ children }: MapCommon): string {
  return children === 1 ? "one child" : `${String(children)} children`;
}
