/** A sheet while it is being made. */
import { useState } from "react";

import { useKeepSheet } from "../../api/ownSheetQueries";
import type { OwnSheetIn, OwnSheetOut } from "../../api/schema";
import { useHistory } from "../../ui/useHistory";

export function useSheetDraft({ id, ...kept }: OwnSheetOut) {
  const [version, setVersion] = useState(0);
  const keep = useKeepSheet();
  const history = useHistory<OwnSheetIn>(kept, (to) => {
    keep.mutate(
      { params: { path: { sheet_id: id } }, body: to },
      {
        onSuccess: () => {
          setVersion((before) => before + 1);
        },
      },
    );
  });
  return {
    ...history,
    /** Grows with what is kept: its pages are other ones then. */
    version,
    error: keep.error,
  };
}
