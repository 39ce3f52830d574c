/** A setting: its title, what there is to choose, what follows from what is chosen. */
import type { ReactNode } from "react";

export function Setting({
  title,
  told,
  children,
}: {
  title: string;
  /** What follows from what is chosen. */
  told: string | undefined;
  children: ReactNode;
}) {
  return (
    <div className="flex flex-col items-start gap-1.5">
      <h2 className="font-bold">{title}</h2>
      {children}
      <p role="status" className="text-soft">
        {told}
      </p>
    </div>
  );
}

/** A choice by its picture. */
export function Pictured({ title, children }: { title: string; children: ReactNode }) {
  return (
    <span className="flex flex-col items-center gap-1 py-2">
      {children}
      <span className="text-sm">{title}</span>
    </span>
  );
}
