/** Figures as a person thinks of them; everything kept and sent is SI. */

import type { vocabulary } from "../api/generated-vocabulary";

export type Quantity = (typeof vocabulary.quantities)[keyof typeof vocabulary.quantities]["kind"];
export type LengthUnit = "mm" | "thou";
export type FlowUnit = "l_min" | "cfh";
export type Units = { length: LengthUnit; flow: FlowUnit };

type Shown = { label: string; perSi: number; digits: number };

const THOU_PER_MM = 1000 / 25.4;
const CFH_PER_L_MIN = 60 / 28.316846592;
const IN_MIN_PER_MM_S = 60 / 25.4;

const plain: Record<Exclude<Quantity, "length" | "flow">, Shown> = {
  current: { label: "A", perSi: 1, digits: 0 },
  count: { label: "", perSi: 1, digits: 0 },
  time: { label: "s", perSi: 1, digits: 1 },
  angle: { label: "°", perSi: 1, digits: 0 },
  speed: { label: "mm/s", perSi: 1, digits: 1 },
  share: { label: "%", perSi: 100, digits: 0 },
  rate: { label: "/s", perSi: 1, digits: 1 },
  plain: { label: "", perSi: 1, digits: 1 },
};

export function shownAs(quantity: Quantity, units: Units): Shown {
  const metric = units.length === "mm";
  if (quantity === "length")
    return metric ? { label: "mm", perSi: 1, digits: 1 } : { label: "thou", perSi: THOU_PER_MM, digits: 0 };
  if (quantity === "flow")
    return units.flow === "l_min"
      ? { label: "L/min", perSi: 1, digits: 1 }
      : { label: "CFH", perSi: CFH_PER_L_MIN, digits: 0 };
  if (quantity === "speed" && !metric) return { label: "in/min", perSi: IN_MIN_PER_MM_S, digits: 1 };
  return plain[quantity];
}

/** A figure in the person's unit, without the unit. */
export function figure(si: number, quantity: Quantity, units: Units, digits?: number): string {
  const unit = shownAs(quantity, units);
  return (si * unit.perSi).toFixed(digits ?? unit.digits);
}

/** A figure with its unit. */
export function measure(
  si: number | null | undefined,
  quantity: Quantity,
  units: Units,
  digits?: number,
): string {
  if (si === null || si === undefined) return "–";
  const { label } = shownAs(quantity, units);
  const joined = label === "°" || label === "" || label === "/s";
  return `${figure(si, quantity, units, digits)}${joined ? label : ` ${label}`}`;
}

/** A length to the fineness that is measured: hundredths of a mm, thousandths of an inch. */
export const fineDigits = (units: Units): number => (units.length === "mm" ? 2 : 0);

const MM_PER_INCH = 25.4;

/** How a ruler is divided: `every` mm a tick, and what stands at it. */
export function rulerOf(units: Units): { every: number; label: (mm: number) => string; name: string } {
  if (units.length === "mm") return { every: 10, label: (mm) => String(mm), name: "mm" };
  return { every: MM_PER_INCH / 2, label: (mm) => (mm / MM_PER_INCH).toFixed(1), name: "in" };
}

/** What a person typed, in SI; null for nothing, NaN for what is no figure. */
export function toSi(typed: string, quantity: Quantity, units: Units): number | null {
  const text = typed.trim().replace(",", ".");
  if (text === "") return null;
  return Number(text) / shownAs(quantity, units).perSi;
}

/** A figure's text without idle noughts after the point. */
export const trimmed = (text: string) => (text.includes(".") ? text.replace(/\.?0+$/, "") : text);
