import type { Schemas } from "../../api/client";

type Design = Schemas["Design"];
export type Ladder = "stainless" | "carbon";

export const rungOf = (design: Design, ladder: Ladder) =>
  ladder === "stainless" ? design.stainless_step : design.carbon_step;

/** The designs of a ladder from its first rung up; what stands on no rung of it comes last. */
export function climb(designs: Design[], ladder: Ladder): Design[] {
  return [...designs]
    .sort((a, b) => (rungOf(a, ladder) ?? 999) - (rungOf(b, ladder) ?? 999))
    .filter(
      (d) =>
        rungOf(d, ladder) !== null || rungOf(d, ladder === "stainless" ? "carbon" : "stainless") === null,
    );
}
