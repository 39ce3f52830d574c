/** What a step keeps covered on the board, for the teacher's own screen to show. */
import { createContext, useContext, useEffect } from "react";

export const CoverContext = createContext<(covered: string | null) => void>(() => undefined);

/** Tells what is covered while it is; nothing any more when the step is left. */
export function useCovered(covered: string | null) {
  const tell = useContext(CoverContext);
  useEffect(() => {
    tell(covered);
    return () => {
      tell(null);
    };
  }, [tell, covered]);
}
