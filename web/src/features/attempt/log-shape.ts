/** What is typed in the log, before it is a run; pure, so that it can be tested without a page. */

import { figure, shownAs, toSi, trimmed, type Quantity, type Units } from "../../ui/units";

export type Field = {
  key: string;
  quantity: string;
  unit: string;
  low: number | null;
  high: number | null;
  step: number | null;
  choices: string[];
  required: boolean;
};
export type Typed = Record<string, string>;
export type Run = Record<string, string | number | null>;

export const isFigure = (field: Field) => field.choices.length === 0 && field.quantity !== "text";

/** A run as it is typed in the person's units. */
export function typedFrom(run: Partial<Run> | null, fields: Field[], units: Units): Typed {
  const typed: Typed = {};
  for (const field of fields) {
    const value = run?.[field.key];
    if (value === null || value === undefined) typed[field.key] = "";
    else
      typed[field.key] =
        typeof value === "number" && isFigure(field)
          ? trimmed(figure(value, field.quantity as Quantity, units, 2))
          : String(value);
  }
  return typed;
}

/** The run in SI; figures the person did not touch stay exactly as they were. */
export function runFrom(typed: Typed, fields: Field[], units: Units, before: Partial<Run> | null): Run {
  const unchanged = typedFrom(before, fields, units);
  const run: Run = {};
  for (const field of fields) {
    const text = typed[field.key] ?? "";
    if (before && text === unchanged[field.key]) run[field.key] = before[field.key] ?? null;
    else if (!isFigure(field)) run[field.key] = text === "" && field.quantity !== "text" ? null : text;
    else run[field.key] = toSi(text, field.quantity as Quantity, units);
  }
  return run;
}

/** What is wrong with each field, in the person's units. */
export function problemsIn(typed: Typed, fields: Field[], units: Units): Record<string, string> {
  const problems: Record<string, string> = {};
  for (const field of fields) {
    if (!isFigure(field)) continue;
    const value = toSi(typed[field.key] ?? "", field.quantity as Quantity, units);
    if (value === null) {
      if (field.required) problems[field.key] = "Needed.";
      continue;
    }
    const { label } = shownAs(field.quantity as Quantity, units);
    const [low, high] = [field.low ?? -Infinity, field.high ?? Infinity];
    if (Number.isNaN(value)) problems[field.key] = `“${typed[field.key] ?? ""}” is no figure.`;
    else if (value < low || value > high) {
      const allowed = `${trimmed(figure(low, field.quantity as Quantity, units, 1))} to ${trimmed(figure(high, field.quantity as Quantity, units, 1))} ${label}`;
      problems[field.key] = `${typed[field.key] ?? ""} ${label} was given; ${allowed.trim()} is possible.`;
    }
  }
  return problems;
}

type Aim = { aim: number };
export type CardFigures = {
  current_a: Aim & { machine: number };
  polarity: string;
  cup: { number: number };
  gas_part: string;
  gas_l_min: Aim;
  stickout_mm: Aim;
  preflow_s: Aim;
  downslope_s: Aim;
  postflow_s: Aim;
  electrode: { diameter_mm: number };
  filler: { alloy: string; diameter_mm: number } | null;
  angles_deg: { work: number; travel: number };
  travel_mm_s: Aim;
  dab_pitch_mm: unknown;
};

/** The run that follows the card to the letter, in steps a machine can be set to. */
export function runFromCard(card: CardFigures): Partial<Run> {
  return {
    current_a: Math.round(card.current_a.aim),
    machine_a: Math.round(card.current_a.machine),
    polarity: card.polarity,
    cup: card.cup.number,
    gas_part: card.gas_part,
    gas_l_min: Math.round(card.gas_l_min.aim * 2) / 2,
    stickout_mm: Math.round(card.stickout_mm.aim),
    electrode_mm: card.electrode.diameter_mm,
    filler_alloy: card.filler?.alloy ?? "none",
    filler_mm: card.filler?.diameter_mm ?? null,
    preflow_s: card.preflow_s.aim,
    downslope_s: card.downslope_s.aim,
    postflow_s: Math.ceil(card.postflow_s.aim),
    work_angle_deg: card.angles_deg.work,
    travel_angle_deg: card.angles_deg.travel,
    travel_mm_s: Math.round(card.travel_mm_s.aim * 10) / 10,
    technique: card.filler === null ? "fuse" : card.dab_pitch_mm === null ? "lay_wire" : "dab",
  };
}

export type Start = { run: Partial<Run>; words: string };

/** What a run's form opens with: the run as saved, the run before it, the last one that passed, else the card. */
export function startOf(
  runs: (Run & { number: number })[],
  number: number,
  last: { passed: boolean; runs: unknown[] },
  card: Partial<Run>,
): Start {
  const saved = runs.find((r) => r.number === number);
  if (saved) return { run: saved, words: "as it was saved" };
  const before = runs.at(-1);
  if (before) return { run: { ...before, note: "" }, words: `as run ${String(before.number)}` };
  if (last.passed && last.runs[0])
    return { run: { ...(last.runs[0] as Run), note: "" }, words: "with your last good settings" };
  return { run: card, words: "with the card" };
}

/** A figure as it would be typed. */
export function figureOf(si: number, quantity: Quantity, units: Units): string {
  return trimmed(figure(si, quantity, units, 1));
}
