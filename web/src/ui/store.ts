import { useSyncExternalStore } from "react";

/** A value that parts of a page follow without redrawing what lies between them. */
export type Store<T> = {
  get: () => T;
  set: (value: T) => void;
  subscribe: (heard: () => void) => () => void;
};

export function makeStore<T>(first: T): Store<T> {
  let held = first;
  const listeners = new Set<() => void>();
  return {
    get: () => held,
    set: (value) => {
      held = value;
      listeners.forEach((heard) => heard());
    },
    subscribe: (heard) => {
      listeners.add(heard);
      return () => listeners.delete(heard);
    },
  };
}

export const useStored = <T>(store: Store<T>): T => useSyncExternalStore(store.subscribe, store.get);
