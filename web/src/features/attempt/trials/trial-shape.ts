/** A trial's plan as it is typed, and its plot in figures; pure. */

import type { Schemas } from "../../../api/client";
import { trimmed, figure, toSi, type Units } from "../../../domain/units";
import { quantityOf } from "../../../domain/words";

export type Trial = Schemas["Trial"];
export type Proposal = Schemas["TrialProposal"];
export type Asked = { low: string; high: string; beads: string; long: string; wide: string };

const USUAL_BEADS = "5";
const FINE_DIGITS = 2;

/** A varied figure as it is typed, in the person's unit. */
export const shown = (key: string, value: number, units: Units): string =>
  trimmed(figure(value, quantityOf(key)?.kind ?? "plain", units, FINE_DIGITS));

/** What the form opens with: the card's range, or as much around a middle, in five beads on the usual blank. */
export function opening(proposal: Proposal, units: Units, middle: number | null = null): Asked {
  const of = (value: number | null) => (value === null ? "" : shown(proposal.key, value, units));
  const { low, high } = proposal;
  const half = low === null || high === null || middle === null ? null : (high - low) / 2;
  const step = quantityOf(proposal.key)?.step ?? 1;
  const whole = (value: number) => Math.round(value / step) * step;
  const [from, to] =
    half === null || middle === null ? [low, high] : [whole(middle - half), whole(middle + half)];
  return { low: of(from), high: of(to), beads: USUAL_BEADS, long: "", wide: "" };
}

/** What is asked of the server, in SI; what is no figure stays out, and the server names it. */
export function request(proposal: Proposal, asked: Asked, units: Units): Schemas["TrialRequest"] {
  const kind = quantityOf(proposal.key)?.kind ?? "plain";
  const si = (typed: string, of: typeof kind) => {
    const value = toSi(typed, of, units);
    return value === null || Number.isNaN(value) ? undefined : value;
  };
  const blank = { blank_length_mm: si(asked.long, "length"), blank_width_mm: si(asked.wide, "length") };
  if (proposal.values.length > 0) return { varied: proposal.key, values: proposal.values, ...blank };
  return {
    varied: proposal.key,
    low: si(asked.low, kind),
    high: si(asked.high, kind),
    beads: si(asked.beads, "count"),
    ...blank,
  };
}

/** The line whose turn is next; null once all are welded. */
export function nextLine(trial: Trial): Trial["lines"][number] | null {
  const open = trial.lines.filter((line) => !line.welded);
  return open.reduce<Trial["lines"][number] | null>(
    (first, line) => (first === null || line.turn < first.turn ? line : first),
    null,
  );
}

export type Scales = { x: (value: number) => number; y: (mm: number) => number };

/**
 * Where figures lie in a plot of a size: the varied figure across, by its line where it is a
 * choice; widths upwards from below.
 */
export function scalesOf(trial: Trial, wide: number, tall: number, room: number): Scales {
  const values = trial.lines.map((line) => positionOf(trial, line.number));
  const widths = [
    trial.wanted_low_mm,
    trial.wanted_high_mm,
    ...trial.beads.map((bead) => bead.width_mm),
    ...trial.curve.flatMap((point) => [point.width_mm - point.half_mm, point.width_mm + point.half_mm]),
  ];
  const [low, high] = [Math.min(...widths) - 0.2, Math.max(...widths) + 0.2];
  const [first, last] = [Math.min(...values), Math.max(...values)];
  const span = last - first || 1;
  return {
    x: (value) => 2 * room + ((value - first) / span) * (wide - 3.5 * room),
    y: (mm) => tall - 1.5 * room - ((mm - low) / (high - low)) * (tall - 2.5 * room),
  };
}

/** Where a line stands across the plot: at its figure, or one beside the other where it is a choice. */
export function positionOf(trial: Trial, number: number): number {
  const value = trial.lines.find((line) => line.number === number)?.value;
  return typeof value === "number" ? value : number;
}
