/** A run by the clock at the booth: count-in, arc, post-flow, cooling; pure. */

export type Go =
  | { phase: "ready" }
  | { phase: "count-in"; since: number }
  | { phase: "arc"; since: number }
  | { phase: "hold"; since: number; arcS: number; glowS: number | null }
  | { phase: "cooling"; since: number; arcS: number; glowS: number | null };

/** s. Time to take the torch to the seam after the tap. */
export const COUNT_IN_S = 3;
/** s after the glow has gone, for which gas is still wanted (shop rule: two seconds more). */
export const BEYOND_GLOW_S = 2;
/** s. Arc times are kept to a tenth; two taps at once are the least there is. */
const TENTH = 0.1;

/** What a tap does: begin, arc out, no longer glows. During the count-in it calls the start off. */
export function tapped(go: Go, now: number): Go {
  switch (go.phase) {
    case "ready":
    case "cooling":
      return { phase: "count-in", since: now };
    case "count-in":
      return { phase: "ready" };
    case "arc":
      return {
        phase: "hold",
        since: now,
        arcS: Math.max(TENTH, Math.round((now - go.since) / 100) / 10),
        glowS: null,
      };
    case "hold":
      return go.glowS === null ? { ...go, glowS: Math.round((now - go.since) / 1000) } : go;
  }
}

/** What the microphone hears: an arc begins, whatever the count-in said, or it is out. */
export function heardArc(go: Go, arc: boolean, at: number): Go {
  if (arc) return go.phase === "hold" ? go : { phase: "arc", since: at };
  return go.phase === "arc" ? tapped(go, at) : go;
}

/** What the clock does by itself: the arc after the count-in, cooling once gas has run long enough. */
export function ticked(go: Go, now: number, postflowS: number): Go {
  const passed = (now - ("since" in go ? go.since : now)) / 1000;
  if (go.phase === "count-in" && passed >= COUNT_IN_S)
    return { phase: "arc", since: go.since + COUNT_IN_S * 1000 };
  if (go.phase === "hold" && passed >= postflowS) return { ...go, phase: "cooling" };
  return go;
}

/** The post-flow to set next time: until it no longer glowed, and two seconds more. */
export const proposedPostflow = (glowS: number): number => glowS + BEYOND_GLOW_S;
