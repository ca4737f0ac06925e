/** Pure geometry of the tracks under a strip; everything in millimetres along the bead. */

import { vocabulary } from "../api/generated-vocabulary";

export type Span = { from: number; to: number };

/** An SVG path through (s, value), y growing upwards from `low` to `high` over `height`. */
export function linePath(s: number[], values: number[], low: number, high: number, height: number): string {
  const y = (v: number) => height - ((Math.min(high, Math.max(low, v)) - low) / (high - low)) * height;
  return s.map((x, i) => `${i === 0 ? "M" : "L"}${x.toFixed(2)} ${y(values[i] ?? low).toFixed(2)}`).join("");
}

export type Gap = Span & { size: number; kind: "even" | "lapse" | "unseen" };

/** Gaps between successive fronts: a lapse where the measurement says so, unseen where it is long without being one. */
export function gapsOf(positions: number[], lapses: number[]): { gaps: Gap[]; median: number } {
  const sizes = positions.slice(1).map((p, i) => p - (positions[i] ?? p));
  const sorted = [...sizes].sort((a, b) => a - b);
  const mid = Math.floor(sorted.length / 2);
  const median =
    sorted.length === 0
      ? 0
      : sorted.length % 2
        ? (sorted[mid] ?? 0)
        : ((sorted[mid - 1] ?? 0) + (sorted[mid] ?? 0)) / 2;
  const gaps = sizes.map((size, i): Gap => {
    const [from, to] = [positions[i] ?? 0, positions[i + 1] ?? 0];
    const lapse = lapses.some((s) => s > from && s < to);
    return {
      from,
      to,
      size,
      kind: lapse ? "lapse" : size > vocabulary.lapse.long * median ? "unseen" : "even",
    };
  });
  return { gaps, median };
}

export type TintRun = Span & { level: number };

/** Runs of equal level along the bead, one entry of `along` a millimetre. */
export function tintRuns(along: number[], length: number): TintRun[] {
  const runs: TintRun[] = [];
  along.slice(0, Math.ceil(length)).forEach((level, i) => {
    const last = runs.at(-1);
    if (last?.level === level) last.to = Math.min(length, i + 1);
    else runs.push({ from: i, to: Math.min(length, i + 1), level });
  });
  return runs;
}

/** The value sampled nearest to a place. */
export function valueAt(s: number[], values: number[], at: number): number | null {
  let best: number | null = null;
  let distance = 1;
  s.forEach((x, i) => {
    const d = Math.abs(x - at);
    if (d < distance) {
      distance = d;
      best = values[i] ?? null;
    }
  });
  return best;
}

type Fault = { kind: string; s_mm: number; size_mm: number };

/** Where each fault is drawn along the bead: over its stretch or diameter. */
export function faultMarks(faults: Fault[]): (Span & { kind: string })[] {
  return faults.map((f) => ({ kind: f.kind, from: f.s_mm - f.size_mm / 2, to: f.s_mm + f.size_mm / 2 }));
}

/** Lowest and highest width drawn, mm: all that was measured and all that is asked, with a little room. */
export function widthLimits(
  mean: number,
  widths: number[],
  asked: [number, number] | undefined,
): [number, number] {
  const held = [0.8 * mean, 1.2 * mean, ...widths, ...(asked ?? [])];
  const [low, high] = [Math.min(...held), Math.max(...held)];
  const room = 0.05 * (high - low);
  return [Math.max(0, low - room), high + room];
}
