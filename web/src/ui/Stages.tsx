/** By which limits the class's letters are checked. */
import type { Stage } from "../api/schema";
import { useClassroom, useSetStage } from "../api/queries";
import { Choice } from "./Choice";
import { ProblemNote } from "./states";

export const STAGES: readonly { value: Stage; label: string; what: string }[] = [
  {
    value: "beginning",
    label: "Beginning",
    what: "Size and shape may be a third further off before they are corrected.",
  },
  { value: "developing", label: "Developing", what: "The usual limits." },
  { value: "secure", label: "Secure", what: "Size and shape are held to a little more closely." },
];

export function ClassStage() {
  const classroom = useClassroom();
  const setStage = useSetStage();
  const stage = setStage.variables?.body.stage ?? classroom.data?.stage;
  return (
    <div className="mb-4 flex flex-wrap items-center gap-x-4 gap-y-1">
      <h2 className="font-medium">Letters are checked as</h2>
      <Choice
        label="Letters are checked as"
        value={stage}
        options={STAGES}
        onChange={(chosen) => {
          setStage.mutate({ body: { stage: chosen } });
        }}
      />
      <p className="text-soft">
        {STAGES.find(({ value }) => value === stage)?.what} Direction is held to alike at every
        stage. Letters handed in from now on.
      </p>
      {setStage.isError && <ProblemNote error={setStage.error} />}
    </div>
  );
}
