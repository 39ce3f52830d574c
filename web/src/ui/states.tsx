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

/** A name that looks like another that is there, written with other signs: she says which it is. */
const LOOKS_ALIKE = "Looks alike";

export function ProblemNote({
  error,
  retry,
  both,
}: {
  error: unknown;
  retry?: () => void;
  /** Does it all the same where two names look alike. */
  both?: () => void;
}) {
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
      {both && title === LOOKS_ALIKE ? (
        <Button className="mt-2" onClick={both}>
          They are two
        </Button>
      ) : null}
      {retry ? (
        <Button className="mt-2" onClick={retry}>
          Try again
        </Button>
      ) : null}
    </div>
  );
}

interface Asked {
  isError: boolean;
  error: unknown;
  refetch?: () => Promise<unknown>;
}

/** What failed of some questions and changes, if anything did; a question can be asked again. */
export function Failed({ of }: { of: readonly Asked[] }) {
  const failed = of.find(({ isError }) => isError);
  if (!failed) return null;
  const { error, refetch } = failed;
  return <ProblemNote error={error} {...(refetch ? { retry: () => void refetch() } : {})} />;
}

/** What is wrong, in words. */
export function messageOf(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}

export function Empty({ children }: { children: ReactNode }) {
  return <div className="m-8 max-w-lg text-lg text-soft">{children}</div>;
}
