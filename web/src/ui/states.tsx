/** What a screen shows while it waits, when something failed, and when there is nothing yet. */
import type { ReactNode } from "react";

import { ProblemError } from "../api/client";
import { Button } from "./Button";

export function Loading({ what }: { what: string }) {
  return (
    <p role="status" className="p-8 text-soft">
      Fetching {what} …
    </p>
  );
}

export function ProblemNote({ error, retry }: { error: unknown; retry?: () => void }) {
  const faults = error instanceof ProblemError ? error.where : [];
  const title = error instanceof ProblemError ? error.title : "Something failed";
  return (
    <div role="alert" className="m-5 max-w-xl border-l-4 border-ember bg-ember-wash px-4 py-3">
      <p className="font-bold">{title}</p>
      {faults.length > 1 ? (
        <ul className="list-disc pl-5">
          {faults.map((fault) => (
            <li key={fault}>{fault}</li>
          ))}
        </ul>
      ) : (
        <p>{messageOf(error)}</p>
      )}
      {retry ? (
        <Button className="mt-2" onClick={retry}>
          Try again
        </Button>
      ) : null}
    </div>
  );
}

/** What is wrong, in words. */
export function messageOf(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}

export function Empty({ children }: { children: ReactNode }) {
  return <div className="m-8 max-w-lg text-lg text-soft">{children}</div>;
}
