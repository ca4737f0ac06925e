import type { Schemas } from "../../api/client";

type Design = Schemas["Design"];
export type Sequence = "stainless" | "carbon";

export const stepOf = (design: Design, sequence: Sequence) =>
  sequence === "stainless" ? design.stainless_step : design.carbon_step;

/** The designs of a sequence from its first step up; what stands on no step of it comes last. */
export function climb(designs: Design[], sequence: Sequence): Design[] {
  return [...designs]
    .sort((a, b) => (stepOf(a, sequence) ?? 999) - (stepOf(b, sequence) ?? 999))
    .filter(
      (d) =>
        stepOf(d, sequence) !== null || stepOf(d, sequence === "stainless" ? "carbon" : "stainless") === null,
    );
}
