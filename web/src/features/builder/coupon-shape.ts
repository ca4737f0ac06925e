/** What is typed in the builder, before it is a coupon; pure, so that it can be tested without a page. */

import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";
import { figure, measure, toSi, trimmed, type Quantity, type Units } from "../../domain/units";
import { isTube, quantityOf } from "../../domain/words";

export type Coupon = Record<string, unknown>;
export type Form = Record<string, string>;

const NUMBERS = [
  "thickness_mm",
  "second_thickness_mm",
  "tube_od_mm",
  "bore_length_mm",
  "target_width_mm",
  "leg_mm",
  "filler_mm",
  "stickout_mm",
  "electrode_mm",
  "travel_mm_s",
  "cup",
  "cup_flow_l_min",
  "pass",
  "passes",
  "seams_planned",
  "dabs_per_run",
  "gauge",
];
export const PULSE = ["peak_a", "background_a", "on_share", "per_second"];
const TEXTS = ["metal", "joint", "gauge_table", "position", "technique", "gas_part", "finish", "layers"];
const FINE = 1e4;

export const kindOf = (key: string): Quantity => quantityOf(key)?.kind ?? "plain";

/** A new coupon: the commonest joint on the commonest sheet. */
export const freshForm = (units: Units): Form => ({
  metal: "304L",
  joint: "tee",
  thickness_mm: trimmed(figure(2, "size", units)),
  position: "flat",
  technique: "dab",
  finish: "warm",
});

/** What was typed of one figure: SI, or the text itself where it is none, so that the server names it. */
function sent(form: Form, key: string, units: Units): string | number | null {
  const text = form[key] ?? "";
  const value = toSi(text, kindOf(key), units);
  if (value === null) return null;
  return Number.isNaN(value) ? text : Math.round(value * FINE) / FINE;
}

/** The coupon to plan: only what was typed; a comma is a decimal point. */
export function couponOf(form: Form, units: Units): Coupon {
  const coupon: Coupon = {};
  const pulse: Coupon = {};
  for (const key of TEXTS) if (form[key]) coupon[key] = form[key];
  if (form.torch) coupon.torch = Number(form.torch);
  if (form.purge) coupon.purge = form.purge === "yes";
  for (const [into, keys] of [
    [coupon, NUMBERS],
    [pulse, PULSE],
  ] as const)
    for (const key of keys) {
      const value = sent(form, key, units);
      if (value !== null) into[key] = value;
    }
  if (Object.keys(pulse).length > 0) coupon.pulse = pulse;
  if (isTube(form.joint ?? "")) coupon.form = "tube";
  return coupon;
}

/** The form that shows a design. */
export function formOf(design: Schemas["Design"], units: Units): Form {
  const { pulse, purge, torch, ...more } = (design.more ?? {}) as Coupon;
  const given: Coupon = { ...design, ...more, ...((pulse as Coupon | null) ?? {}) };
  const form: Form = { purge: purge === undefined || purge === null ? "" : purge ? "yes" : "no" };
  if (typeof torch === "number") form.torch = String(torch);
  for (const key of TEXTS) if (typeof given[key] === "string") form[key] = given[key];
  for (const key of [...NUMBERS, ...PULSE]) {
    const value = given[key];
    if (typeof value === "number") form[key] = trimmed(figure(value, kindOf(key), units));
  }
  return form;
}

export type Move = { words: string; from: string; to: string };
type Card = Schemas["Card"];

const watched: [words: string, kind: Quantity, read: (card: Card) => number | null, digits?: number][] = [
  [t("common-current"), "current", (c) => c.current_a.aim],
  [t("common-gas-flow"), "flow", (c) => c.gas_l_min.aim],
  [t("common-cup"), "count", (c) => c.cup.number],
  [t("common-stick-out"), "length", (c) => c.stickout_mm.aim],
  [t("common-electrode"), "size", (c) => c.electrode.diameter_mm],
  [t("common-filler"), "size", (c) => c.filler?.diameter_mm ?? null],
  [t("common-travel"), "speed", (c) => c.travel_mm_s.aim],
  [t("common-dabs"), "rate", (c) => c.dabs_per_s, 2],
  [t("common-post-flow"), "time", (c) => c.postflow_s.aim],
  [t("common-pre-flow"), "time", (c) => c.preflow_s.aim],
];

/** Which aims moved between two cards, and from what to what, in the person's units. */
export function moves(before: Card | null, after: Card, units: Units): Move[] {
  if (!before) return [];
  return watched.flatMap(([words, kind, read, digits]) => {
    const say = (v: number | null) => (v === null ? t("common-none") : measure(v, kind, units, digits));
    const [from, to] = [say(read(before)), say(read(after))];
    return from === to ? [] : [{ words, from, to }];
  });
}
