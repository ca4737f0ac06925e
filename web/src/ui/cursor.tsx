import { createContext, use, useState, type ReactNode } from "react";
import { makeStore, useStored, type Store } from "./store";

/** One place along the bead (mm), followed by photo, strip and tracks without redrawing them. */
type Cursor = Store<number | null>;

const CursorContext = createContext<Cursor | null>(null);

export function CursorScope({ children }: { children: ReactNode }) {
  const [store] = useState(() => makeStore<number | null>(null));
  return <CursorContext value={store}>{children}</CursorContext>;
}

function useStore(): Cursor {
  const store = use(CursorContext);
  if (!store) throw new Error("no cursor scope around this");
  return store;
}

export function useCursor(): number | null {
  return useStored(useStore());
}

export function useSetCursor(): (s: number | null) => void {
  return useStore().set;
}

/** The value a setter can step from, read at the moment of the key press. */
export function useReadCursor(): () => number | null {
  return useStore().get;
}
