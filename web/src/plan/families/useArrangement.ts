/** The families while they are being arranged: every change is kept at once and can be undone. */
import type { FamilyIn, SchemeOut as Scheme } from "../../api/schema";
import { useChangeScheme } from "../../api/schemeQueries";
import { useHistory } from "../../ui/useHistory";
import { kept } from "./rearrange";

interface State {
  name: string;
  families: readonly FamilyIn[];
}

export function useArrangement(scheme: Scheme) {
  const keep = useChangeScheme(scheme.key);
  const first: State = { name: scheme.name, families: scheme.families.map(kept) };
  const { now, change, undo, redo } = useHistory(first, ({ name, families }) => {
    keep.mutate({
      params: { path: { key: scheme.key } },
      body: { name, families: [...families] },
    });
  });
  return {
    ...now,
    change: (part: Partial<State>) => {
      change({ ...now, ...part });
    },
    undo,
    redo,
    error: keep.error,
  };
}
