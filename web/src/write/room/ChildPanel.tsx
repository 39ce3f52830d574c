/** One child, looked at: its last letters, the one thing to say, what can be done at its pad. */
import { X } from "lucide-react";
import { Link } from "react-router";

import { useCall, useFreeTile, useHand, usePutOut } from "../../api/roomQueries";
import type { ChildOut, RulingLine as Line } from "../../api/schema";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/states";
import { Tile } from "../../ui/Tile";
import { Unjudged } from "../../ui/Unjudged";
import { DIMENSIONS, VerdictMark } from "../../ui/VerdictMark";
import { GoingMark } from "./GoingMark";
import { WorkPicture } from "./WorkPicture";

export function ChildPanel({
  child,
  lines,
  onClose,
}: {
  child: ChildOut;
  lines: readonly Line[];
  onClose: () => void;
}) {
  const call = useCall();
  const free = useFreeTile();
  const putOut = usePutOut();
  const { who, newest, going, written, enough, pad, lesson } = child;
  const last = newest.at(-1);
  const asked = useHand(lesson, who.id).data?.asked ?? [];
  const failed = [call, free, putOut].find(({ isError }) => isError);
  return (
    <section
      aria-label={who.name}
      className="flex flex-col gap-2 rounded-lg border-2 border-ink bg-leaf p-3"
    >
      <header className="flex items-center gap-2">
        {who.tile ? <Tile name={who.tile} className="size-9" /> : null}
        <h2 className="flex-1 text-lg font-bold">{who.name}</h2>
        <button type="button" aria-label="Close" onClick={onClose} className="p-1.5">
          <X aria-hidden size={20} />
        </button>
      </header>
      <p className="flex items-center justify-between gap-3">
        <GoingMark going={going} worded />
        {going === "away" ? null : (
          <span className="text-sm text-soft">
            {written}
            {enough === null ? "" : ` of ${String(enough)}`} in this step
          </span>
        )}
      </p>
      {newest.length > 0 ? (
        <div className="flex flex-wrap items-end gap-2">
          {newest.map((one) => (
            <WorkPicture key={one.id} work={one} lines={lines} className="h-16 max-w-full" />
          ))}
        </div>
      ) : (
        <p className="text-soft">Nothing handed in yet.</p>
      )}
      {last?.verdict ? (
        <>
          <p className="flex gap-3">
            {DIMENSIONS.map(({ key, name }) => (
              <span key={key} className="flex items-center gap-1 text-sm">
                <VerdictMark verdict={last.verdict?.[key] ?? "unseen"} label={name} />
                {name}
              </span>
            ))}
          </p>
          {last.judged ? null : <Unjudged />}
          {last.say ? <p>{last.say}</p> : null}
          <Link
            to={last.attempt_id === null ? "/check/text" : `/check/${last.letter}`}
            className="text-sm underline underline-offset-4"
          >
            To the table
          </Link>
        </>
      ) : null}
      {asked.length > 0 ? (
        <ul aria-label="For you to look at" className="border-l-4 border-honey pl-3 text-sm">
          {asked.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
      ) : null}
      {pad !== null ? (
        <div className="flex flex-wrap gap-2 border-t-2 border-crease pt-2">
          {lesson === null ? null : (
            <Button
              onClick={() => {
                call.mutate({ body: { what: "replay", lesson, pad: Number(pad) } });
              }}
            >
              {call.isSuccess ? "Shown" : "Show the movement"}
            </Button>
          )}
          <Button
            look="quiet"
            onClick={() => {
              free.mutate({ params: { path: { pad: Number(pad) } } });
            }}
          >
            Free the tile
          </Button>
          <Button
            look="quiet"
            onClick={() => {
              putOut.mutate({ params: { path: { pad: Number(pad) } } });
            }}
          >
            Put the pad out
          </Button>
        </div>
      ) : null}
      {failed ? <ProblemNote error={failed.error} /> : null}
    </section>
  );
}
