import { useState } from "react";
import type { Typed } from "./log-shape";

/** What is being typed, kept in the browser until it is saved: a closed page loses nothing. */
export function useDraft(place: string, start: Typed) {
  const [first] = useState(() => localStorage.getItem(place));
  const [typed, setTyped] = useState<Typed>(() => (first ? (JSON.parse(first) as Typed) : start));
  const change = (next: Typed) => {
    localStorage.setItem(place, JSON.stringify(next));
    setTyped(next);
  };
  return {
    typed,
    change,
    restored: first !== null,
    done: () => localStorage.removeItem(place),
  };
}
