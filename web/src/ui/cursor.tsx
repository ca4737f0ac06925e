import { createContext, use, useState, useSyncExternalStore, type ReactNode } from "react";

/** One place along the bead (mm), followed by photo, strip and tracks without redrawing them. */
type Store = {
  get: () => number | null;
  set: (s: number | null) => void;
  subscribe: (heard: () => void) => () => void;
};

function makeStore(): Store {
  let at: number | null = null;
  const listeners = new Set<() => void>();
  return {
    get: () => at,
    set: (s) => {
      at = s;
      listeners.forEach((heard) => heard());
    },
    subscribe: (heard) => {
      listeners.add(heard);
      return () => listeners.delete(heard);
    },
  };
}

const CursorContext = createContext<Store | null>(null);

export function CursorScope({ children }: { children: ReactNode }) {
  const [store] = useState(makeStore);
  return <CursorContext value={store}>{children}</CursorContext>;
}

function useStore(): Store {
  const store = use(CursorContext);
  if (!store) throw new Error("no cursor scope around this");
  return store;
}

export function useCursor(): number | null {
  const store = useStore();
  return useSyncExternalStore(store.subscribe, store.get);
}

export function useSetCursor(): (s: number | null) => void {
  return useStore().set;
}

/** The value a setter can step from, read at the moment of the key press. */
export function useReadCursor(): () => number | null {
  return useStore().get;
}
