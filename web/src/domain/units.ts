/** Figures as a person thinks of them; everything kept and sent is SI. */

import { vocabulary } from "../api/generated-vocabulary";

/** Kinds of figures; `mark` is one of a hundred. */
export type Quantity = keyof typeof vocabulary.units;
export type LengthUnit = "mm" | "thou";
export type FlowUnit = "l_min" | "cfh";
export type Units = { length: LengthUnit; flow: FlowUnit };

type ShownUnit = { label: string; per_si: number; digits: number; joined: boolean };
const table: Record<Quantity, Partial<Record<LengthUnit | FlowUnit | "any", ShownUnit>>> = vocabulary.units;
const unknown: ShownUnit = { label: "", per_si: 1, digits: 1, joined: false };

/** How a kind of figure is shown to a person: the server's table, which its own sentences follow too. */
export function shownAs(quantity: Quantity, units: Units): ShownUnit {
  const options = table[quantity];
  return options[units.length] ?? options[units.flow] ?? options.any ?? unknown;
}

/** A figure in the person's unit, without the unit. */
export function figure(si: number, quantity: Quantity, units: Units, digits?: number): string {
  const unit = shownAs(quantity, units);
  return (si * unit.per_si).toFixed(digits ?? unit.digits);
}

/** A figure with its unit. */
export function measure(
  si: number | null | undefined,
  quantity: Quantity,
  units: Units,
  digits?: number,
): string {
  if (si === null || si === undefined) return "–";
  const { label, joined } = shownAs(quantity, units);
  return `${figure(si, quantity, units, digits)}${joined || label === "" ? label : ` ${label}`}`;
}

/** A length to the fineness that is measured: hundredths of a mm, thousandths of an inch. */
export const fineDigits = (units: Units): number => (units.length === "mm" ? 2 : 0);

const MM_PER_INCH = vocabulary.mmPerInch;

/** How a ruler is divided: `every` mm a tick, and what stands at it. */
export function rulerOf(units: Units): { every: number; label: (mm: number) => string; name: string } {
  if (units.length === "mm") return { every: 10, label: (mm) => String(mm), name: "mm" };
  return { every: MM_PER_INCH / 2, label: (mm) => (mm / MM_PER_INCH).toFixed(1), name: "in" };
}

/** What a person typed, in SI; null for nothing, NaN for what is no figure. */
export function toSi(typed: string, quantity: Quantity, units: Units): number | null {
  const text = typed.trim().replace(",", ".");
  if (text === "") return null;
  return Number(text) / shownAs(quantity, units).per_si;
}

/** A figure's text without idle noughts after the point. */
export const trimmed = (text: string) => (text.includes(".") ? text.replace(/\.?0+$/, "") : text);

/** A mark of a hundred as it is kept, to a tenth: one of 69.6 does not pass at 70. */
export const markWords = (total: number): string =>
  trimmed(total.toFixed(shownAs("mark", { length: "mm", flow: "l_min" }).digits));
