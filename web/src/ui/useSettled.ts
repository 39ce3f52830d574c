/** Whether something has stayed as it is for a moment: while it still changes, less is asked for. */
import { useEffect, useState } from "react";

export function useSettled(value: unknown, after_ms: number): boolean {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => {
      setSettled(value);
    }, after_ms);
    return () => {
      clearTimeout(timer);
    };
  }, [value, after_ms]);
  return settled === value;
}
