/** Corrections while they are being drawn, and what each one is called; pure. */

import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";
import { measure, type Units } from "../../domain/units";
import { choiceWords, faultWords } from "../../domain/words";

export type Step = Schemas["CorrectionRequest"];
export type Side = "left" | "right";
export type Tool = "toe" | "front" | "fault";
type Toes = { s_mm: number[]; left_n_mm: number[]; right_n_mm: number[] };

const TOE_NEAR_MM = 1.2;
const FRONT_NEAR_MM = 0.5;

export function toesOf(overlay: Schemas["Overlay"] | null | undefined): Toes | null {
  return overlay?.s_mm && overlay.left_n_mm && overlay.right_n_mm
    ? { s_mm: overlay.s_mm, left_n_mm: overlay.left_n_mm, right_n_mm: overlay.right_n_mm }
    : null;
}

/** The sample nearest to a place along the bead. */
export function nearestTo(places: number[], s: number): number {
  return places.reduce(
    (best, at, i) => (Math.abs(at - s) < Math.abs((places[best] ?? Infinity) - s) ? i : best),
    0,
  );
}

/** The toe a pointer takes hold of, if it is near enough to one. */
export function toeAt(toes: Toes, s: number, n: number): Side | null {
  const i = nearestTo(toes.s_mm, s);
  const [left, right] = [Math.abs(n - (toes.left_n_mm[i] ?? 0)), Math.abs(n - (toes.right_n_mm[i] ?? 0))];
  if (Math.min(left, right) > TOE_NEAR_MM) return null;
  return left < right ? "left" : "right";
}

/** How much of a toe's move a place so far away takes part in: the raised cosine of tests/cases/moved_toes.json. */
export const shareMoved = (away: number, reach: number): number =>
  (1 + Math.cos(Math.PI * Math.min(1, Math.abs(away) / reach))) / 2;

/** How a toe will lie once it is let go at (s, n). */
export function dragged(places: number[], offsets: number[], s: number, n: number, reach: number): number[] {
  const shift = n - (offsets[nearestTo(places, s)] ?? 0);
  return offsets.map((offset, i) => offset + shift * shareMoved((places[i] ?? 0) - s, reach));
}

/** One toe nudged outward (+) or inward at a place. */
export function nudged(toes: Toes, side: Side, s: number, outward: number, reach: number): Step {
  const now = (side === "left" ? toes.left_n_mm : toes.right_n_mm)[nearestTo(toes.s_mm, s)] ?? 0;
  return {
    step: "move_toe",
    side,
    s_mm: s,
    n_mm: now + (side === "left" ? -outward : outward),
    reach_mm: reach,
  };
}

/** A click among the fronts: on one, it goes; between two, another is cut in. */
export function frontStep(fronts: number[], s: number): Step {
  return {
    step: fronts.some((f) => Math.abs(f - s) < FRONT_NEAR_MM) ? "remove_front" : "add_front",
    s_mm: s,
  };
}

/** Where a step is of the whole bead. */
const NOWHERE = "nowhere";

/** What a step did, in words. */
export function stepWords(step: Step, units: Units): string {
  const at = step.s_mm === undefined ? NOWHERE : measure(step.s_mm, "length", units);
  const kind = step.kind ? faultWords(step.kind) : "";
  switch (step.step) {
    case "move_toe":
      return t("marking-toe-moved", { side: choiceWords("side", step.side ?? ""), at });
    case "move_end":
      return t("marking-set", { end: choiceWords("end", step.end ?? ""), at });
    case "start_at_other_end":
      return t("marking-start-and-end-swapped");
    case "add_fault":
      return t("marking-added", { kind, at });
    case "remove_fault":
      return t("marking-removed", { kind, at });
    case "add_front":
      return t("marking-ripple-front-added", { at });
    case "remove_front":
      return t("marking-ripple-front-removed", { at });
    case "no_ripples":
      return t("common-no-distinct-ripples-2");
  }
}
