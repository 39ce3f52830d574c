/** Something while it is changed step by step: each step is kept at once, and can be undone. */
import { useState } from "react";

export function useHistory<T>(first: T, keep: (to: T) => void) {
  const [now, setNow] = useState(first);
  const [past, setPast] = useState<readonly T[]>([]);
  const [future, setFuture] = useState<readonly T[]>([]);

  const go = (to: T, before: readonly T[], after: readonly T[]) => {
    setNow(to);
    setPast(before);
    setFuture(after);
    keep(to);
  };
  const last = past.at(-1);
  const [next] = future;
  return {
    now,
    /** What is as it was is no step. */
    change: (to: T) => {
      if (JSON.stringify(to) !== JSON.stringify(now)) go(to, [...past, now], []);
    },
    undo:
      last === undefined
        ? undefined
        : () => {
            go(last, past.slice(0, -1), [now, ...future]);
          },
    redo:
      next === undefined
        ? undefined
        : () => {
            go(next, [...past, now], future.slice(1));
          },
  };
}
