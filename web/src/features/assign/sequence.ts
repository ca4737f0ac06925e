import type { Schemas } from "../../api/client";

type Design = Schemas["LibraryDesign"];
export type Sequence = "stainless" | "carbon";

export const stepOf = (design: Design, sequence: Sequence) =>
  sequence === "stainless" ? design.stainless_step : design.carbon_step;

export type Filter = { metal: string; joint: string; position: string; passed: string };
export const NO_FILTER: Filter = { metal: "", joint: "", position: "", passed: "" };

/** The designs that fit what was chosen; empty stands for any. */
export const fitting = (designs: Design[], filter: Filter): Design[] =>
  designs.filter(
    (d) =>
      (["metal", "joint", "position"] as const).every(
        (key) => filter[key] === "" || d[key] === filter[key],
      ) &&
      (filter.passed === "" || (filter.passed === "some") === (d.passed ?? 0) > 0),
  );

/** The designs of a sequence from its first step up; what stands on no step of it comes last. */
export function climb(designs: Design[], sequence: Sequence): Design[] {
  return [...designs]
    .sort((a, b) => (stepOf(a, sequence) ?? 999) - (stepOf(b, sequence) ?? 999))
    .filter(
      (d) =>
        stepOf(d, sequence) !== null || stepOf(d, sequence === "stainless" ? "carbon" : "stainless") === null,
    );
}
