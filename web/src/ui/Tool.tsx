/** A small, quiet button at the end of a row; what it does is its name. */
import type { ReactNode } from "react";

export function Tool({
  name,
  onClick,
  children,
}: {
  name: string;
  onClick: () => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={name}
      title={name}
      onClick={onClick}
      className="inline-flex min-h-9 min-w-9 items-center justify-center gap-1 rounded-md px-1.5 text-soft hover:bg-rule-wash hover:text-ink"
    >
      {children}
    </button>
  );
}
