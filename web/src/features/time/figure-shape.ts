/** A figure over time as rows for a plot and a table; pure. */

import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";

type Figure = Schemas["FigureOverTime"];

/** The upper end of each scale; shares go as far as they must. */
const TOPS: Record<string, number> = { total: 100, tint_level: 7 };

export function topOf(figure: Figure): number {
  const fixed = TOPS[figure.key];
  if (fixed !== undefined) return fixed;
  const known = figure.values.filter((v) => v !== null);
  return Math.max(2 * (figure.good ?? 0), ...known, ...figure.cone.map((one) => one.high));
}

/** Attempts one after another, then the cone, which begins at the last value. */
export function plotRows(figure: Figure) {
  const last = figure.values.findLastIndex((v) => v !== null);
  const rows = figure.values.map((value, at) => {
    const start = at === last && figure.cone.length > 0 && value !== null;
    return { at, value, mid: start ? value : null, cone: start ? [value, value] : null };
  });
  const top = topOf(figure);
  const ahead = figure.cone.map((one, k) => ({
    at: figure.values.length + k,
    value: null,
    mid: Math.min(one.mid, top),
    cone: [one.low, Math.min(one.high, top)],
  }));
  return [...rows, ...ahead];
}

export function tableOf(figure: Figure, dates: string[]): string[][] {
  return [[t("time-attempt"), figure.words], ...dates.map((date, i) => [date, figure.formatted[i] ?? "–"])];
}
