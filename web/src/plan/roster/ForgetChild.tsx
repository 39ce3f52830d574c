/** A child who is to be deleted: asked once, done for good, and what copies still hold said. */
import { useState } from "react";

import { useForgetPupil, useRenewCopies } from "../../api/rosterQueries";
import type { PupilOut as Pupil } from "../../api/schema";
import { Button } from "../../ui/Button";
import { ConfirmButton } from "../../ui/ConfirmButton";
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

function InCopies({ copies, until }: { copies: number; until: string | null }) {
  const renew = useRenewCopies();
  const left = renew.data?.copies ?? copies;
  if (left === 0 || until === null) {
    return <p role="status">Deleted. No copy of the record holds the child any more.</p>;
  }
  return (
    <div role="status" className="mt-2 flex flex-wrap items-center gap-3 text-ink">
      <p>
        Deleted.{" "}
        {left === 1
          ? `One copy of the record still holds the child, until ${dayOf(until)}.`
          : `${left} copies still hold the child, the last until ${dayOf(until)}.`}
      </p>
      <Button
        onClick={() => {
          renew.mutate({});
        }}
        disabled={renew.isPending}
      >
        Renew the copies now
      </Button>
      {renew.isError ? <ProblemNote error={renew.error} /> : null}
    </div>
  );
}

function dayOf(iso: string): string {
  return new Date(`${iso}T12:00`).toLocaleDateString("en-GB", { day: "numeric", month: "long" });
}
