/** The families as a map: one line of the page a family, its letters in the order they come. */
import { useState } from "react";

import { useScheme, useSchemes } from "../../api/schemeQueries";
import { Loading, ProblemNote } from "../../ui/states";
import { FamilyMap } from "./FamilyMap";
import { SchemeChoice } from "./SchemeChoice";

export function FamiliesDesk() {
  const schemes = useSchemes();
  const [seen, setSeen] = useState<string>();
  const key = seen ?? schemes.data?.chosen;
  if (schemes.isError) {
    return <ProblemNote error={schemes.error} retry={() => void schemes.refetch()} />;
  }
  if (!schemes.data || !key) return <Loading what="the families" />;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3 px-5 py-3">
      <h1 className="sr-only">Families</h1>
      <SchemeChoice list={schemes.data} seen={key} onSeen={setSeen} />
      <OneScheme key={key} schemeKey={key} />
    </div>
  );
}

function OneScheme({ schemeKey }: { schemeKey: string }) {
  const scheme = useScheme(schemeKey);
  if (scheme.isError) {
    return <ProblemNote error={scheme.error} retry={() => void scheme.refetch()} />;
  }
  if (!scheme.data) return <Loading what="the families" />;
  return <FamilyMap scheme={scheme.data} />;
}
