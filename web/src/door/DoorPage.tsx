/** The frame of a page that is seen by who is not signed in. */
import type { ReactNode } from "react";

/** A line of handwriting that makes three loops, as the head of every other page makes five. */
const LOOPS =
  "M0 60C34 60 76 48 76 24 76 6 52 6 52 25 52 48 90 60 150 60S226 48 226 24C226 6 202 6 202 25 202 48 240 60 300 60S376 48 376 24C376 6 352 6 352 25 352 48 390 60 450 60";

export function DoorPage({
  title,
  said,
  children,
}: {
  title: string;
  said: string;
  children: ReactNode;
}) {
  return (
    <main className="mx-auto flex w-full max-w-3xl flex-col gap-6 px-6 py-10">
      <div>
        <p className="text-lg font-bold text-rule-deep">First Loop</p>
        <svg viewBox="0 0 450 66" className="-ml-6 h-16 w-full max-w-lg" aria-hidden>
          <path d={LOOPS} fill="none" className="stroke-rule stroke-[3]" strokeLinecap="round" />
        </svg>
      </div>
      <header>
        <h1 className="text-3xl font-bold">{title}</h1>
        <p className="mt-1 max-w-xl text-lg text-soft">{said}</p>
      </header>
      {children}
    </main>
  );
}
