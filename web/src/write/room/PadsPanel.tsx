/** The pads themselves: who asks to come in, how many are there, what they lack. */
import { useNod, usePutOut } from "../../api/roomQueries";
import type { OpenLessonOut, PadOut } from "../../api/schema";
import { Button } from "../../ui/Button";
import { Failed } from "../../ui/states";

export function PadsPanel({
  pads,
  open,
}: {
  pads: readonly PadOut[];
  open: OpenLessonOut | undefined;
}) {
  const lesson = open?.lesson ?? null;
  const nod = useNod();
  const putOut = usePutOut();
  const asking = pads.filter(({ state }) => state === "asking");
  const there = pads.filter(({ state }) => state === "in" || state === "silent");
  const silent = there.filter(({ state }) => state === "silent").length;
  const forgetful = there.filter(({ keeps }) => !keeps).length;
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
      {forgetful > 0 ? (
        <p className="border-l-4 border-ember bg-ember-wash px-3 py-2">
          {forgetful === 1 ? "One pad cannot" : `${String(forgetful)} pads cannot`} keep what is
          written until it has arrived. Leave the page open there until the lesson is over.
        </p>
      ) : null}
      {there
        .filter(({ is_full }) => is_full)
        .map(({ pad, pupil }) => (
          <div
            key={pad}
            role="status"
            className="flex flex-col items-start gap-2 border-l-4 border-ember bg-ember-wash px-3 py-2"
          >
            <p>
              {pupil ? `The pad of ${pupil.name}` : `Pad ${pad}`} has handed in more than a child
              could write in a lesson; nothing more is taken from it. Look who is at it.
            </p>
            <Button
              disabled={putOut.isPending}
              onClick={() => {
                putOut.mutate({ params: { path: { pad: Number(pad) } } });
              }}
            >
              Put it out
            </Button>
          </div>
        ))}
      {open?.is_full ? (
        <p role="status" className="border-l-4 border-ember bg-ember-wash px-3 py-2">
          {there.length} pads are in, and no more can come. Put those out that are not your
          class&rsquo;s, or forget all pads in Settings.
        </p>
      ) : null}
      {without > 0 ? (
        <p className="text-sm text-soft">
          {without === 1 ? "One pad keeps" : `${String(without)} pads keep`} their ink, but would
          not open without the network: browsers allow that only to addresses they trust. Put the
          school&rsquo;s certificate on them once (docs/for-technicians.md).
        </p>
      ) : null}
      <Failed of={[nod, putOut]} />
    </section>
  );
}
