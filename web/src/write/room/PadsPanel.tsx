/** The pads themselves: who asks to come in, how many are there, what they lack. */
import { useNod } from "../../api/roomQueries";
import type { PadOut } from "../../api/schema";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/states";

export function PadsPanel({ pads, lesson }: { pads: readonly PadOut[]; lesson: number | null }) {
  const nod = useNod();
  const asking = pads.filter(({ state }) => state === "asking");
  const there = pads.filter(({ state }) => state === "in" || state === "silent");
  const silent = there.filter(({ state }) => state === "silent").length;
  const without = there.filter(({ opens_alone }) => opens_alone === false).length;
  return (
    <section aria-label="Pads" className="flex flex-col gap-2">
      {asking.length > 0 ? (
        <div className="flex flex-wrap items-center gap-3 border-l-4 border-ember bg-ember-wash px-3 py-2">
          <p role="status" className="flex-1">
            {asking.length === 1 ? "A pad asks" : `${String(asking.length)} pads ask`} to come in.
          </p>
          <Button
            look="main"
            disabled={lesson === null || nod.isPending}
            onClick={() => {
              nod.mutate({ body: { pads: null, lesson } });
            }}
          >
            Let {asking.length === 1 ? "it" : "all"} in
          </Button>
        </div>
      ) : null}
      <p className="text-soft">
        {there.length} {there.length === 1 ? "pad" : "pads"} in
        {silent > 0 ? `, ${String(silent)} silent` : ""}
      </p>
      {without > 0 ? (
        <p className="text-sm text-soft">
          {without === 1 ? "One pad keeps" : `${String(without)} pads keep`} their ink, but would
          not open without the network: browsers allow that only to addresses they trust. Put the
          school&rsquo;s certificate on them once (docs/for-technicians.md).
        </p>
      ) : null}
      {nod.isError ? <ProblemNote error={nod.error} /> : null}
    </section>
  );
}
