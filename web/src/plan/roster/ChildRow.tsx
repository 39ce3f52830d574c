/** A child on the list: picture, name, hand, and what else can be done. */

import type { PupilOut as Pupil } from "../../api/schema";
import { Choice } from "../../ui/Choice";
import { EditableText } from "../../ui/EditableText";
import { ProblemNote } from "../../ui/states";
import { TilePick } from "../../ui/TilePick";
import { MoreAboutChild } from "./MoreAboutChild";
import { type Done, useChild } from "./useChild";
import type { SetPresence } from "./usePresence";

const HANDS = [
  { value: "left", label: "left" },
  { value: "right", label: "right" },
] as const;

export function ChildRow({
  pupil,
  taken,
  setPresence,
  done,
}: {
  pupil: Pupil;
  taken: readonly Pupil[];
  setPresence: SetPresence;
  done: Done;
}) {
  const { changeTo, setTileTo, changeError, both, tileError } = useChild(pupil, done);
  const { id, name, handedness } = pupil;
  const others = taken.filter((one) => one.id !== id);
  const owners = new Map(others.map((one) => [one.tile, one.name]));
  const isApart = pupil.presence === "apart";
  return (
    <li className="flex flex-wrap items-center gap-x-2 border-b border-rule/60 py-1">
      <TilePick
        label={`Picture of ${name}`}
        value={pupil.tile}
        owners={owners}
        onChoose={setTileTo}
      />
      <div className={`min-w-0 flex-1 ${isApart ? "opacity-70" : ""}`}>
        <EditableText
          label={`Name of ${name}`}
          value={name}
          onChange={(changed) => {
            changeTo({ name: changed });
          }}
          className="text-lg"
        />
      </div>
      {isApart ? <span className="text-sm text-soft">apart</span> : null}
      <Choice
        small
        label={`${name} writes with the`}
        value={handedness}
        options={HANDS}
        onChange={(chosen) => {
          changeTo({ handedness: chosen });
        }}
      />
      <MoreAboutChild pupil={pupil} setPresence={setPresence} />
      {changeError ? <ProblemNote error={changeError} both={both} /> : null}
      {tileError ? <ProblemNote error={tileError} /> : null}
    </li>
  );
}
