/** What is typed in the log, before it is a run; pure, so that it can be tested without a page. */

import { figure, shownAs, toSi, type Quantity, type Units } from "../../ui/units";

export type Field = { key: string; quantity: string; unit: string; low: number | null; high: number | null; step: number | null; choices: string[]; required: boolean };
export type Typed = Record<string, string>;
export type Run = Record<string, string | number | null>;

export const isFigure = (field: Field) => field.choices.length === 0 && field.quantity !== "text";

/** A run as it is typed in the person's units. */
export function typedFrom(run: Partial<Run> | null, fields: Field[], units: Units): Typed {
  const typed: Typed = {};
  for (const field of fields) {
    const value = run?.[field.key];
    if (value === null || value === undefined) typed[field.key] = "";
    else typed[field.key] = typeof value === "number" && isFigure(field) ? trim(figure(value, field.quantity as Quantity, units, 2)) : String(value);
  }
  return typed;
}

const trim = (text: string) => (text.includes(".") ? text.replace(/\.?0+$/, "") : text);

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
      const allowed = `${trim(figure(low, field.quantity as Quantity, units, 1))} to ${trim(figure(high, field.quantity as Quantity, units, 1))} ${label}`;
      problems[field.key] = `${typed[field.key] ?? ""} ${label} was given; ${allowed.trim()} is possible.`;
    }
  }
  return problems;
}
