/** Faults by bead; pure. */

import type { Schemas } from "../../api/client";

type Brief = Schemas["AttemptBrief"];

export type FaultRow = { kind: string; counts: number[]; goneFor: number };

/** The measured beads, oldest first, and how many of each kind of fault each had; the one seen last comes first. */
export function calendarOf(attempts: Brief[]): { beads: Brief[]; rows: FaultRow[] } {
  const beads = attempts.filter((a) => a.measurement && a.measurement.refusal_code === "");
  const kinds = new Set(beads.flatMap((a) => a.measurement?.faults.map((f) => f.kind) ?? []));
  const rows = [...kinds].map((kind) => {
    const counts = beads.map((a) => a.measurement?.faults.filter((f) => f.kind === kind).length ?? 0);
    return { kind, counts, goneFor: counts.length - 1 - counts.findLastIndex((n) => n > 0) };
  });
  return { beads, rows: rows.sort((a, b) => a.goneFor - b.goneFor || a.kind.localeCompare(b.kind)) };
}
