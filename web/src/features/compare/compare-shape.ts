/** Two beads on one axis; pure. */

import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";
import { dateWords } from "../../domain/words";

type Report = Schemas["Report"];
type Named = Pick<Schemas["AttemptBrief"], "assignment" | "number" | "created_at">;
type Axis = { from_mm: number; to_mm: number };

/** The axis that holds both strips. */
export function commonAxis(one: Axis, other: Axis): Axis {
  return { from_mm: Math.min(one.from_mm, other.from_mm), to_mm: Math.max(one.to_mm, other.to_mm) };
}

/** Lowest and highest width of both, with a little room. */
export function commonLimits(one: Report, other: Report): [number, number] {
  const widths = [one, other].flatMap((r) => r.profile?.width_mm ?? []);
  if (widths.length === 0) return [0, 1];
  const [low, high] = [Math.min(...widths), Math.max(...widths)];
  const room = Math.max(0.2, 0.1 * (high - low));
  return [low - room, high + room];
}

export type Row = {
  words: string;
  kind: "length" | "percent" | "count";
  earlier: number | null;
  later: number | null;
  lessIsBetter: boolean;
};

/** The figures of both, line by line. */
export function rowsOf(earlier: Report, later: Report): Row[] {
  const row = (
    words: string,
    kind: Row["kind"],
    of: (r: Report) => number | null | undefined,
    lessIsBetter = true,
  ): Row => ({ words, kind, earlier: of(earlier) ?? null, later: of(later) ?? null, lessIsBetter });
  return [
    row(t("common-width"), "length", (r) => r.bead?.width_mm.mean, false),
    row(t("common-width-variation"), "percent", (r) => r.bead?.width_mm.cv),
    row(t("compare-ripple-spacing"), "length", (r) => r.ripple?.pitch_mm, false),
    row(t("common-ripple-variation"), "percent", (r) => r.ripple?.cv),
    row(t("compare-lapses"), "count", (r) => r.ripple?.lapses_mm.length),
    row(t("common-straightness"), "length", (r) => r.bead?.straightness_mm),
    row(t("compare-heat-tint-of-the-bead"), "count", (r) => r.tint?.bead.level, false),
    row(t("common-faults"), "count", (r) => r.defects?.length),
  ];
}

/** Whether the later one is better, worse or as before; null where less is neither. */
export function verdict(row: Row): "better" | "worse" | "same" | null {
  if (!row.lessIsBetter || row.earlier === null || row.later === null) return null;
  const change = row.later - row.earlier;
  if (Math.abs(change) <= 0.05 * Math.abs(row.earlier)) return "same";
  return change < 0 ? "better" : "worse";
}

export const nameOf = (a: Named) =>
  t("compare-attempt-2", {
    title: a.assignment.design.title,
    number: a.number,
    date: dateWords(a.created_at),
  });
