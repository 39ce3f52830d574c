/** By which limits letters are checked: those of the class, and of a child who is further or not. */
import type { PupilOut as Pupil, Stage } from "../api/schema";
import { useClassroom, useSetPupilStage, useSetStage } from "../api/queries";
import { Choice } from "./Choice";
import { Pick } from "./Pick";
import { ProblemNote } from "./states";

const STAGES: readonly { value: Stage; label: string; what: string }[] = [
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

const AS_CLASS = "class";
const OWN_STAGES = [
  { value: AS_CLASS, label: "as the class" },
  ...STAGES.map(({ value, label }) => ({ value, label: label.toLowerCase() })),
] as const;

export function PupilStage({ pupil }: { pupil: Pupil }) {
  const setStage = useSetPupilStage();
  return (
    <Pick
      quiet
      label={`${pupil.name} is checked`}
      value={pupil.stage ?? AS_CLASS}
      options={OWN_STAGES}
      onChange={(chosen) => {
        setStage.mutate({
          params: { path: { pupil_id: pupil.id } },
          body: { stage: chosen === AS_CLASS ? null : chosen },
        });
      }}
    />
  );
}
