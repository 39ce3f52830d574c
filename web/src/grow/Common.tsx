/** What most children of the class have in common, on the day of the map. */
import { Link } from "react-router";

import type { MapCommon, MapOut } from "../api/schema";

export function Common({ map: { weakest, slip, in_texts } }: { map: MapOut }) {
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
      {in_texts.map(({ what, pupils }) => (
        <p key={what}>
          Not yet in words and sentences: <span className="font-medium">{what}</span>;{" "}
          {pupils.map(({ id, name }, at) => (
            <span key={id}>
              {at > 0 ? ", " : ""}
              <Link to={`/grow/child/${String(id)}`} className="underline underline-offset-4">
                {name}
              </Link>
            </span>
          ))}
          .
        </p>
      ))}
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
