/** After a child is deleted: what copies of the record still hold, and how that goes too. */
import { useRenewCopies } from "../api/rosterQueries";
import { Button } from "./Button";
import { ProblemNote } from "./states";

export function InCopies({ copies, until }: { copies: number; until: string | null }) {
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
