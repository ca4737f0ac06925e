/** Figures as a person thinks of them; everything kept and sent is SI. */

import { vocabulary } from "../api/generated-vocabulary";
import { t } from "../catalogue";

/** Kinds of figures; `mark` is one of a hundred. */
export type Quantity = keyof typeof vocabulary.units;
export type LengthUnit = "mm" | "thou";
export type FlowUnit = "l_min" | "cfh";
export type Units = { length: LengthUnit; flow: FlowUnit };

type ShownUnit = { label: string; per_si: number; digits: number; joined: boolean; fractions: boolean };
const table: Record<Quantity, Partial<Record<LengthUnit | FlowUnit | "any", ShownUnit>>> = vocabulary.units;
const unknown: ShownUnit = { label: "", per_si: 1, digits: 1, joined: false, fractions: false };

/** How a kind of figure is shown to a person: the server's table, which its own sentences follow too. */
export function shownAs(quantity: Quantity, units: Units): ShownUnit {
  const options = table[quantity];
  return options[units.length] ?? options[units.flow] ?? options.any ?? unknown;
}

const { finest: FINEST, maxOff: MAX_OFF } = vocabulary.fractions;

/** The fraction that a size in inches is named by; null where none is close. */
export function fractionOfInch(inches: number): string | null {
  let parts = Math.round(inches * FINEST);
  if (parts === 0 || Math.abs(inches - parts / FINEST) > MAX_OFF) return null;
  const whole = Math.floor(parts / FINEST);
  parts -= whole * FINEST;
  let finest = FINEST;
  while (parts > 0 && parts % 2 === 0) {
    parts /= 2;
    finest /= 2;
  }
  const part = parts === 0 ? "" : `${String(parts)}/${String(finest)}`;
  return whole === 0 ? part : `${String(whole)} ${part}`.trim();
}

/** So many digits; what rounds to nothing has no sign. */
const rounded = (value: number, digits: number): string => value.toFixed(digits).replace(/^-(?=[0.]*$)/, "");

/** A figure in the person's unit, without the unit. */
export function figure(si: number, quantity: Quantity, units: Units, digits?: number): string {
  const unit = shownAs(quantity, units);
  const shown = si * unit.per_si;
  if (!unit.fractions) return rounded(shown, digits ?? unit.digits);
  return fractionOfInch(shown) ?? rounded(shown, unit.digits);
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
  const unit = shownAs(quantity, units);
  if (!unit.fractions) return Number(text) / unit.per_si;
  // Sizes are nominal: a rod of 1/16 in is the rod of 1.6 mm.
  return Math.round((inches(text) / unit.per_si) * 10) / 10;
}

/** Inches as they are typed: 0.045, 1/16 or 1 1/2. */
function inches(text: string): number {
  const parts = /^(?:(\d+)\s+)?(\d+)\/(\d+)$/.exec(text);
  return parts ? Number(parts[1] ?? 0) + Number(parts[2]) / Number(parts[3]) : Number(text);
}

/** What stands in a field one tap further: a step of the figure, or a 32nd of an inch. */
export function stepped(typed: string, by: number, quantity: Quantity, units: Units, step: number): string {
  const unit = shownAs(quantity, units);
  if (unit.fractions) {
    const now = Math.round((Number.isNaN(inches(typed)) ? 0 : inches(typed)) * FINEST);
    return fractionOfInch(Math.max(1, now + by) / FINEST) ?? typed;
  }
  const rough = step * unit.per_si;
  const tap = rough >= 1 ? Math.round(rough) : Math.round(rough * 10) / 10 || 0.1;
  const now = Number(typed.replace(",", "."));
  return Math.max(0, (Number.isFinite(now) ? now : 0) + by * tap).toFixed(tap >= 1 ? 0 : 1);
}

/** A cup by its number, and for those who think in inches by its bore: sixteenths of an inch. */
export function cupWords(number: number, units: Units): string {
  const bore = units.length === "thou" ? fractionOfInch(number / 16) : null;
  return bore === null ? t("cup", { number }) : t("cup-and-bore", { number, bore });
}

/** A figure's text without idle noughts after the point. */
export const trimmed = (text: string) => (text.includes(".") ? text.replace(/\.?0+$/, "") : text);

/** A mark of a hundred as it is kept, to a tenth: one of 69.6 does not pass at 70. */
export const markWords = (total: number): string =>
  trimmed(total.toFixed(shownAs("mark", { length: "mm", flow: "l_min" }).digits));
