/** A sheet while it is being made: every change is kept at once, and can be undone. */
import { useState } from "react";

import { useKeepSheet } from "../../api/ownSheetQueries";
import type { OwnSheetIn, OwnSheetOut } from "../../api/schema";

export function useSheetDraft({ id, ...kept }: OwnSheetOut) {
  const [now, setNow] = useState<OwnSheetIn>(kept);
  const [past, setPast] = useState<readonly OwnSheetIn[]>([]);
  const [future, setFuture] = useState<readonly OwnSheetIn[]>([]);
  const [version, setVersion] = useState(0);
  const keep = useKeepSheet();

  const go = (to: OwnSheetIn, before: readonly OwnSheetIn[], after: readonly OwnSheetIn[]) => {
    setNow(to);
    setPast(before);
    setFuture(after);
    keep.mutate(
      { params: { path: { sheet_id: id } }, body: to },
      {
        onSuccess: () => {
          setVersion((before) => before + 1);
        },
      },
    );
  };
  const [last] = past.slice(-1);
  const [next] = future;
  return {
    now,
    /** Grows with what is kept: its pages are other ones then. */
    version,
    error: keep.error,
    change: (to: OwnSheetIn) => {
      if (JSON.stringify(to) !== JSON.stringify(now)) go(to, [...past, now], []);
    },
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
  };
}
