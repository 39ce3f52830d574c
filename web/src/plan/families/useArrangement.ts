/** The families while they are being arranged: every change is kept at once and can be undone. */
import { useState } from "react";

import type { FamilyIn, SchemeOut as Scheme } from "../../api/schema";
import { useChangeScheme } from "../../api/schemeQueries";
import { kept } from "./rearrange";

interface State {
  name: string;
  families: readonly FamilyIn[];
}

export function useArrangement(scheme: Scheme) {
  const [now, setNow] = useState<State>({
    name: scheme.name,
    families: scheme.families.map(kept),
  });
  const [past, setPast] = useState<readonly State[]>([]);
  const [future, setFuture] = useState<readonly State[]>([]);
  const keep = useChangeScheme(scheme.key);

  const go = (to: State, before: readonly State[], after: readonly State[]) => {
    setNow(to);
    setPast(before);
    setFuture(after);
    keep.mutate({
      params: { path: { key: scheme.key } },
      body: { name: to.name, families: [...to.families] },
    });
  };
  const change = (part: Partial<State>) => {
    const to = { ...now, ...part };
    if (JSON.stringify(to) !== JSON.stringify(now)) go(to, [...past, now], []);
  };
  const [last] = past.slice(-1);
  const [next] = future;
  return {
    ...now,
    change,
    undo: last
      ? () => {
          go(last, past.slice(0, -1), [now, ...future]);
        }
      : undefined,
    redo: next
      ? () => {
          go(next, [...past, now], future.slice(1));
        }
      : undefined,
    error: keep.error,
  };
}
