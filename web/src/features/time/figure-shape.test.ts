import { expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { calendarOf } from "./calendar-shape";
import { plotRows, tableOf, topOf } from "./figure-shape";

const figure: Schemas["FigureOverTime"] = {
  key: "width_cv",
  words: "Even width",
  good: 0.06,
  values: [0.12, null, 0.08],
  formatted: ["12.0 %", null, "8.0 %"],
  cone: [{ low: 0.05, mid: 0.07, high: 0.5 }],
};

it("draws values one after another and lets the cone begin at the last of them", () => {
  expect(plotRows(figure)).toEqual([
    { at: 0, value: 0.12, mid: null, cone: null },
    { at: 1, value: null, mid: null, cone: null },
    { at: 2, value: 0.08, mid: 0.08, cone: [0.08, 0.08] },
    { at: 3, value: null, mid: 0.07, cone: [0.05, 0.5] },
  ]);
  expect(topOf(figure)).toBe(0.5);
  expect(topOf({ ...figure, key: "total", good: null })).toBe(100);
});

it("says the same figures in a table, and where there is none", () => {
  expect(tableOf(figure, ["1 Oct", "8 Oct", "15 Oct"])).toEqual([
    ["Attempt", "Even width"],
    ["1 Oct", "12.0 %"],
    ["8 Oct", "–"],
    ["15 Oct", "8.0 %"],
  ]);
});

const bead = (id: number, ...kinds: string[]) =>
  ({
    id,
    measurement: { refusal_code: "", faults: kinds.map((kind) => ({ kind, s_mm: 1 })) },
  }) as unknown as Schemas["AttemptBrief"];

it("pins faults to beads and says since when they are gone; a refused photo is no bead", () => {
  const refused = { id: 9, measurement: { refusal_code: "blurred", faults: [] } } as never;
  const { beads, rows } = calendarOf([
    bead(1, "pore", "pore"),
    refused,
    bead(2, "undercut"),
    bead(3, "undercut"),
  ]);
  expect(beads.map((b) => b.id)).toEqual([1, 2, 3]);
  expect(rows).toEqual([
    { kind: "undercut", counts: [0, 1, 1], goneFor: 0 },
    { kind: "pore", counts: [2, 0, 0], goneFor: 2 },
  ]);
});
