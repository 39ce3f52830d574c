/** What the pad keeps: one store for all of its pages, made where the page begins. */
import { createContext, useContext, useSyncExternalStore } from "react";

import type { PadStore } from "./store";

export const StoreContext = createContext<PadStore | null>(null);

/** The store, as it is now: who asks is drawn anew with every change. */
export function usePadStore(): PadStore {
  const store = useContext(StoreContext);
  if (!store) throw new Error("usePadStore must be used within a StoreContext");
  useSyncExternalStore(store.subscribe, store.version);
  return store;
}
