/** What was changed last on the list, and the way back. */
import { useState } from "react";

import { Button } from "../../ui/Button";

/** What was done, in words, and what takes it back. */
export interface Done {
  said: string;
  undo: () => void;
}

/** Remembers the last change; once it is taken back there is none. */
export function useLastDone() {
  const [last, setLast] = useState<Done>();
  return {
    last,
    done: (said: string, undo: () => void) => {
      setLast({
        said,
        undo: () => {
          undo();
          setLast(undefined);
        },
      });
    },
  };
}

export function LastDone({ last }: { last: Done | undefined }) {
  if (!last) return null;
  return (
    <p role="status" className="flex flex-wrap items-center gap-3">
      {last.said}
      <Button onClick={last.undo}>Undo</Button>
    </p>
  );
}
