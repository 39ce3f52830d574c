/** A child who is to be deleted: asked once, done for good, and what copies still hold said. */
import { useState } from "react";

import { useForgetPupil } from "../../api/rosterQueries";
import type { PupilOut as Pupil } from "../../api/schema";
import { ConfirmButton } from "../../ui/ConfirmButton";
import { InCopies } from "../../ui/InCopies";
import { Pick } from "../../ui/Pick";
import { ProblemNote } from "../../ui/states";

const NOBODY = "nobody";

export function ForgetChild({ pupils }: { pupils: readonly Pupil[] }) {
  const [chosen, choose] = useState(NOBODY);
  const forget = useForgetPupil();
  const pupil = pupils.find(({ id }) => String(id) === chosen);
  return (
    <section aria-label="Delete a child" className="mt-8 border-t border-rule pt-3 text-soft">
      <h2 className="font-medium text-ink">Delete a child</h2>
      <div className="mt-1 flex flex-wrap items-center gap-3">
        <p>When a family asks for it, or a child has left: name, letters, and all said of them.</p>
        <Pick
          label="Child to delete"
          value={chosen}
          options={[
            { value: NOBODY, label: "choose a child" },
            ...pupils.map(({ id, name }) => ({ value: String(id), label: name })),
          ]}
          onChange={choose}
        />
        {pupil ? (
          <ConfirmButton
            label={`Delete ${pupil.name}`}
            question={`${pupil.name} and everything ${pupil.name} wrote go for good. This cannot be undone.`}
            yes="Delete for good"
            onYes={() => {
              choose(NOBODY);
              forget.mutate({ params: { path: { pupil_id: pupil.id } } });
            }}
          />
        ) : null}
      </div>
      {forget.isSuccess ? <InCopies copies={forget.data.copies} until={forget.data.until} /> : null}
      {forget.isError ? <ProblemNote error={forget.error} /> : null}
    </section>
  );
}
