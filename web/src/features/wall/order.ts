/** In which order the wall hangs; pure. */

import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";

type Row = Schemas["WallRow"];
type Standing = Schemas["CouponStanding"];

export const ORDERS = {
  need: t("wall-who-needs-it-most"),
  name: t("wall-by-name"),
  step: t("wall-by-step"),
} as const;
export type Order = keyof typeof ORDERS;

/** Who is stuck at a coupon and is not ready for a later one: they have got over it. */
export function stuckIn(standings: Standing[]): Standing[] {
  return standings.filter(
    (s, i) =>
      s.stuck && !standings.slice(i + 1).some((t) => t.student.id === s.student.id && t.forecast.ready),
  );
}

/** Rows by name, by need (stuck first, then the least likely to pass next), or by step (furthest first). */
export function ordered(rows: Row[], standings: Standing[], order: Order): Row[] {
  const stuck = new Set(stuckIn(standings).map((s) => s.student.id));
  const of = (row: Row) => standings.filter((s) => s.student.id === row.student.id);
  const need = (row: Row) => (of(row).at(-1)?.forecast.next_pass ?? 1) - (stuck.has(row.student.id) ? 2 : 0);
  const steps = (row: Row) => of(row).length + of(row).filter((s) => s.forecast.ready).length / 100;
  const byName = (a: Row, b: Row) => a.student.display_name.localeCompare(b.student.display_name);
  if (order === "name") return [...rows].sort(byName);
  const score = order === "need" ? need : (row: Row) => -steps(row);
  return [...rows].sort((a, b) => score(a) - score(b) || byName(a, b));
}
