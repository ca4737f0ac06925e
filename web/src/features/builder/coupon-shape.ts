/** What is typed in the builder, before it is a coupon; pure, so that it can be tested without a page. */

import type { Schemas } from "../../api/client";
import { figure, toSi, trimmed, type Quantity, type Units } from "../../ui/units";

export type Coupon = Record<string, unknown>;
export type Form = Record<string, string>;

export const numbers: Record<string, Quantity> = {
  thickness_mm: "length",
  second_thickness_mm: "length",
  tube_od_mm: "length",
  bore_length_mm: "length",
  target_width_mm: "length",
  leg_mm: "length",
  filler_mm: "length",
  stickout_mm: "length",
  electrode_mm: "length",
  travel_mm_s: "speed",
  cup: "count",
  pass: "count",
  torch: "count",
  gauge: "count",
  "pulse.peak_a": "current",
  "pulse.background_a": "current",
  "pulse.on_share": "plain",
  "pulse.per_second": "plain",
};
const texts = ["metal", "joint", "gauge_table", "position", "technique", "gas_part", "finish"];

/** The coupon to plan: only what was typed; a comma is a decimal point; what is no figure is sent as typed, so that the server names it. */
export function couponOf(form: Form, units: Units): Coupon {
  const coupon: Coupon = {};
  for (const key of texts) if (form[key]) coupon[key] = form[key];
  if (form.purge) coupon.purge = form.purge === "yes";
  const pulse: Coupon = {};
  for (const [key, quantity] of Object.entries(numbers)) {
    const text = form[key] ?? "";
    const value = toSi(text, quantity, units);
    if (value === null) continue;
    const sent = Number.isNaN(value) ? text : Math.round(value * 1e4) / 1e4;
    if (key.startsWith("pulse.")) pulse[key.slice(6)] = sent;
    else coupon[key] = sent;
  }
  if (Object.keys(pulse).length > 0) coupon.pulse = pulse;
  if (String(coupon.joint ?? "").startsWith("tube_") || coupon.joint === "turntable") coupon.form = "tube";
  return coupon;
}

/** The form that shows a design. */
export function formOf(design: Schemas["Design"], units: Units): Form {
  const { pulse, purge, ...more } = (design.more ?? {}) as Coupon;
  const given: Coupon = { ...design, ...more };
  const form: Form = { purge: purge === undefined || purge === null ? "" : purge ? "yes" : "no" };
  for (const key of texts) if (typeof given[key] === "string") form[key] = given[key];
  for (const [key, quantity] of Object.entries(numbers)) {
    const value = key.startsWith("pulse.") ? (pulse as Coupon | undefined)?.[key.slice(6)] : given[key];
    if (typeof value === "number")
      form[key] = trimmed(figure(value, quantity, units, quantity === "plain" ? 2 : undefined));
  }
  return form;
}

export type Move = { words: string; from: string; to: string };
type Card = Schemas["Card"];

const watched: [string, string, (card: Card) => number | null, number][] = [
  ["Current", "A", (c) => c.current_a.aim, 0],
  ["Gas flow", "L/min", (c) => c.gas_l_min.aim, 1],
  ["Cup", "", (c) => c.cup.number, 0],
  ["Stick-out", "mm", (c) => c.stickout_mm.aim, 1],
  ["Electrode", "mm", (c) => c.electrode.diameter_mm, 1],
  ["Filler", "mm", (c) => c.filler?.diameter_mm ?? null, 1],
  ["Travel", "mm/s", (c) => c.travel_mm_s.aim, 1],
  ["Dabs", "a second", (c) => c.dabs_per_s, 2],
  ["Post-flow", "s", (c) => c.postflow_s.aim, 1],
  ["Pre-flow", "s", (c) => c.preflow_s.aim, 1],
];

/** Which aims moved between two cards, and from what to what. */
export function moves(before: Card | null, after: Card): Move[] {
  if (!before) return [];
  return watched.flatMap(([words, unit, read, digits]) => {
    const [a, b] = [read(before), read(after)];
    const say = (v: number | null) => (v === null ? "none" : `${v.toFixed(digits)} ${unit}`.trim());
    return say(a) === say(b) ? [] : [{ words, from: say(a), to: say(b) }];
  });
}
