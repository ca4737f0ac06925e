import { createContext, use, useState, type ReactNode } from "react";
import { makeStore, useStored, type Store } from "../ui/store";
import { placeOn, type Axis } from "./track-frame";

/** A stretch of the bead that something else on the page speaks of, and the track it shows on. */
export type Place = { track: string; from: number | null; to: number | null };

const noPlace = (): Store<Place | null> => makeStore<Place | null>(null);
const PlaceContext = createContext(noPlace());

export function PlaceScope({ children }: { children: ReactNode }) {
  const [store] = useState(noPlace);
  return <PlaceContext value={store}>{children}</PlaceContext>;
}

/** Lights a place up while it is pointed at or has the focus. */
export function useLight() {
  const store = use(PlaceContext);
  return (place: Place | null) =>
    place === null
      ? {}
      : {
          onPointerEnter: () => store.set(place),
          onPointerLeave: () => store.set(null),
          onFocus: () => store.set(place),
          onBlur: () => store.set(null),
        };
}

/** The lit place on one track, or on the strip, which shows every place. */
export function Lit({ track, axis, length }: { track: string; axis: Axis; length: number }) {
  const place = useStored(use(PlaceContext));
  if (!place || (track !== "strip" && place.track !== track)) return null;
  const [from, to] = [place.from ?? 0, place.to ?? length];
  return (
    <span
      data-testid={`lit-${track}`}
      className="pointer-events-none absolute inset-y-0 z-10 min-w-1 border-2 border-secondary bg-accent/40"
      style={placeOn(axis, from, Math.max(to, from))}
    />
  );
}
