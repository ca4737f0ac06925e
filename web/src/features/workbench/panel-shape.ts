/** What is typed into a calculator, and its figures in SI; pure. */

import type { Schemas } from "../../api/client";
import { figure, measure, shownAs, toSi, trimmed, type Quantity, type Units } from "../../domain/units";

export type Panel = Schemas["Calculator"];
type Input = Panel["inputs"][number];
type Result = Schemas["CalculatorResult"];

const FINE = 1e5;

export const isChoice = (input: Input) => Object.keys(input.options).length > 0;
const kindOf = (input: Input) => input.kind as Quantity;

/** What stands in the fields at first: the figures of a link, else the defaults. */
export function typedFrom(panel: Panel, linked: Record<string, string> | null, units: Units) {
  return Object.fromEntries(
    panel.inputs.map((input) => {
      const si = linked?.[input.key] ?? input.default;
      const typed = isChoice(input) ? si : trimmed(figure(Number(si), kindOf(input), units, 2));
      return [input.key, typed];
    }),
  );
}

/** The figures in SI, as text; what is no figure goes as typed, so that the server names it. */
export function siFrom(panel: Panel, typed: Record<string, string>, units: Units): Record<string, string> {
  const found: Record<string, string> = {};
  for (const input of panel.inputs) {
    const text = typed[input.key] ?? "";
    const value = isChoice(input) ? null : toSi(text, kindOf(input), units);
    if (isChoice(input)) found[input.key] = text;
    else if (value !== null)
      found[input.key] = Number.isNaN(value) ? text : String(Math.round(value * FINE) / FINE);
  }
  return found;
}

/** A field's name, with its unit where the person's units do not say it. */
export const labelOf = (input: Input) =>
  input.unit && shownAs(kindOf(input), { length: "mm", flow: "l_min" }).label === ""
    ? `${input.words}, ${input.unit}`
    : input.words;

export function formatValue(result: Result, units: Units): string {
  if (result.quantity === "plain") return `${result.value.toFixed(result.digits)} ${result.unit}`.trimEnd();
  const fine = units.length === "mm" || result.quantity === "time";
  return measure(result.value, result.quantity as Quantity, units, fine ? result.digits : undefined);
}
