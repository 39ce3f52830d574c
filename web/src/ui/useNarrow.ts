/** Whether the window is too narrow for two columns side by side (48rem, as `md` in the styles). */
import { useSyncExternalStore } from "react";

const query = window.matchMedia("(width < 48rem)");

function subscribe(changed: () => void) {
  query.addEventListener("change", changed);
  return () => {
    query.removeEventListener("change", changed);
  };
}

export function useNarrow(): boolean {
  return useSyncExternalStore(subscribe, () => query.matches);
}
