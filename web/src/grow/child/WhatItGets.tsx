/** What this child gets otherwise than the class: set here once, followed wherever it writes. */
import { getsIn, useSetGets } from "../../api/childQueries";
import type { GetsOut, PupilOut } from "../../api/schema";
import { Hers } from "../../ui/Hers";
import { Pick } from "../../ui/Pick";
import { STAGES } from "../../ui/Stages";
import { Failed } from "../../ui/states";
import { Tick } from "../../ui/Tick";

const AS_CLASS = "class";
const LINES = [
  { value: "as_class", label: "as the class" },
  { value: "larger", label: "larger" },
  { value: "largest", label: "largest" },
] as const;
const SIDES = [
  { value: AS_CLASS, label: "away from the hand" },
  { value: "left", label: "on the left" },
  { value: "right", label: "on the right" },
] as const;
const LIMITS = [
  { value: AS_CLASS, label: "the class" },
  ...STAGES.map(({ value, label }) => ({ value, label: label.toLowerCase() })),
] as const;

export function WhatItGets({ pupil }: { pupil: PupilOut }) {
  const set = useSetGets(pupil);
  const gets = { ...pupil.gets, ...(set.isPending ? set.variables.body : {}) };
  function change(changes: Partial<GetsOut>) {
    set.mutate({
      params: { path: { pupil_id: pupil.id } },
      body: { ...getsIn(gets), ...changes },
    });
  }
  return (
    <section aria-label="What this child gets">
      <h2 className="text-lg font-bold">What {pupil.name} gets</h2>
      <Hers told={false}>
        <dl className="mt-1 grid grid-cols-[auto_1fr] items-center gap-x-3 gap-y-1">
          <dt>Lines</dt>
          <dd>
            <Pick
              label="Lines"
              value={gets.lines}
              options={LINES}
              onChange={(lines) => {
                change({ lines });
              }}
            />
          </dd>
          <dt>Model</dt>
          <dd>
            <Pick
              label="Model"
              value={gets.model_side ?? AS_CLASS}
              options={SIDES}
              onChange={(side) => {
                change({ model_side: side === AS_CLASS ? null : side });
              }}
            />
          </dd>
          <dt>Checked as</dt>
          <dd>
            <Pick
              label="Checked as"
              value={gets.stage ?? AS_CLASS}
              options={LIMITS}
              onChange={(stage) => {
                change({ stage: stage === AS_CLASS ? null : stage });
              }}
            />
          </dd>
        </dl>
        <div className="mt-2 flex flex-col gap-1">
          <Tick
            label="Fewer letters (three of five)"
            checked={gets.fewer}
            onChange={(fewer) => {
              change({ fewer });
            }}
          />
          <Tick
            label="More help (starting dots first, a model for what is from memory)"
            checked={gets.more_help}
            onChange={(more_help) => {
              change({ more_help });
            }}
          />
        </div>
      </Hers>
      <Failed of={[set]} />
    </section>
  );
}
