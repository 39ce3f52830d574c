/** What is kept of children, where, how long, and how it goes: words that a head teacher can read. */
import { Link } from "react-router";

import { useRenewCopies } from "../api/rosterQueries";
import type { SchoolOut } from "../api/schema";
import { Button } from "../ui/Button";
import { ProblemNote } from "../ui/states";

export function PrivacyPart({ kept }: { kept: SchoolOut["kept"] }) {
  const renew = useRenewCopies();
  const copies = renew.data?.copies ?? kept.copies;
  return (
    <>
      <p>
        Of a child: what you call them, the hand they write with, a picture, the letters they write
        with the time, what was found in them, and what you said of it. Nothing else; no birthday,
        no surname, no photograph of a child. The picture of a page that was written on paper stays
        only where you keep it.
      </p>
      <p>
        It is in one file on this machine, {Math.ceil(kept.bytes / 1_000_000)} MB:{" "}
        <code className="text-sm break-all">{kept.file}</code>. Nothing of it is sent anywhere.
      </p>
      <p>
        It is kept until you delete it, child by child or class by class. Each day it is copied
        beside the file, so that a mishap loses a day at most; a copy is deleted after{" "}
        {kept.copies_days} days.{" "}
        {copies === 0
          ? "There is no copy now."
          : copies === 1
            ? "There is one copy now; a deleted child is in it until then, or until you renew it."
            : `There are ${String(copies)} copies now; a deleted child is in them until then, or until you renew them.`}
      </p>
      <div className="flex flex-wrap items-center gap-3">
        <Button
          disabled={renew.isPending}
          onClick={() => {
            renew.mutate({});
          }}
        >
          Renew the copies now
        </Button>
        <Link to="/plan/class" className="underline underline-offset-4">
          Delete a child
        </Link>
        {renew.isSuccess ? <p role="status">One copy, of the record as it is now.</p> : null}
      </div>
      {renew.error ? <ProblemNote error={renew.error} /> : null}
    </>
  );
}
