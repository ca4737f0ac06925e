import { describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { couponOf, formOf, moves } from "./coupon-shape";

const metric = { length: "mm", flow: "l_min" } as const;
const us = { length: "thou", flow: "cfh" } as const;

describe("a coupon from what is typed", () => {
  it("sends only what was typed, in SI", () => {
    expect(couponOf({ metal: "304L", joint: "tee", thickness_mm: "2,5", cup: "" }, metric)).toEqual({
      metal: "304L",
      joint: "tee",
      thickness_mm: 2.5,
    });
    expect(couponOf({ metal: "304L", joint: "tee", thickness_mm: "1/16" }, us).thickness_mm).toBe(1.6);
  });
  it("sends what is no figure as typed, for the server to name", () =>
    expect(couponOf({ thickness_mm: "two" }, metric)).toEqual({ thickness_mm: "two" }));
  it("gathers a pulse and knows tube by its joint", () => {
    const coupon = couponOf({ joint: "tube_butt", peak_a: "110", on_share: "30", purge: "no" }, metric);
    expect(coupon).toEqual({
      joint: "tube_butt",
      form: "tube",
      purge: false,
      pulse: { peak_a: 110, on_share: 0.3 },
    });
  });
  it("shows a design as it would be typed", () => {
    const design = {
      metal: "316L",
      joint: "lap",
      thickness_mm: 1.5,
      target_width_mm: 4,
      position: "flat",
      technique: "dab",
      finish: "warm",
      more: { cup: 12, purge: true },
    } as unknown as Schemas["Design"];
    const form = formOf(design, metric);
    expect(form).toMatchObject({
      metal: "316L",
      thickness_mm: "1.5",
      target_width_mm: "4",
      cup: "12",
      purge: "yes",
    });
    expect(couponOf(form, metric)).toMatchObject({ thickness_mm: 1.5, cup: 12, purge: true });
  });
});

describe("what moved", () => {
  const range = (aim: number) => ({ low: aim, aim, high: aim });
  const card = (amps: number, wire: number | null) =>
    ({
      current_a: range(amps),
      gas_l_min: range(11),
      cup: { number: 10 },
      stickout_mm: range(6),
      electrode: { diameter_mm: 1.6 },
      filler: wire === null ? null : { diameter_mm: wire },
      travel_mm_s: range(2.4),
      dabs_per_s: 1,
      postflow_s: range(8),
      preflow_s: range(0.5),
    }) as unknown as Schemas["Card"];
  it("is told in the person's units", () => {
    expect(moves(card(43, 1.2), card(43, 1.6), us)).toEqual([
      { words: "Filler", from: "0.047 in", to: "1/16 in" },
    ]);
  });
  it("names only what changed", () => {
    expect(moves(card(43, 1.2), card(52, 1.2), metric)).toEqual([
      { words: "Current", from: "43 A", to: "52 A" },
    ]);
    expect(moves(card(43, 1.2), card(43, null), metric)).toEqual([
      { words: "Filler", from: "1.2 mm", to: "none" },
    ]);
    expect(moves(null, card(43, 1), metric)).toEqual([]);
  });
});
