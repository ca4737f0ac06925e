import { describe, expect, it } from "vitest";
import {
  figureOf,
  problemsIn,
  runFrom,
  runFromCard,
  startOf,
  typedFrom,
  type CardFigures,
  type Field,
} from "./log-shape";

const fields: Field[] = [
  {
    key: "current_a",
    quantity: "current",
    unit: "A",
    low: 3,
    high: 500,
    step: 1,
    choices: [],
    required: true,
  },
  {
    key: "gas_l_min",
    quantity: "flow",
    unit: "L/min",
    low: 1,
    high: 60,
    step: 0.5,
    choices: [],
    required: true,
  },
  {
    key: "polarity",
    quantity: "choice",
    unit: "",
    low: null,
    high: null,
    step: null,
    choices: ["DCEN", "AC"],
    required: false,
  },
  { key: "note", quantity: "text", unit: "", low: 0, high: 2000, step: null, choices: [], required: false },
];
const metric = { length: "mm", flow: "l_min" } as const;
const customary = { length: "thou", flow: "cfh" } as const;

describe("the log", () => {
  it("sends what was typed in CFH as L/min", () => {
    const run = runFrom(
      { current_a: "62", gas_l_min: "20", polarity: "", note: "" },
      fields,
      customary,
      null,
    );
    expect(run.gas_l_min).toBeCloseTo(9.44, 2);
    expect(run.polarity).toBeNull();
    expect(run.note).toBe("");
  });
  it("keeps an untouched figure to the last digit in whatever unit it is shown", () => {
    const before = { current_a: 62, gas_l_min: 11.3, polarity: "DCEN", note: "" };
    const typed = typedFrom(before, fields, customary);
    expect(runFrom(typed, fields, customary, before)).toEqual(before);
  });
  it("names the figure and what is possible in the person's unit", () => {
    const problems = problemsIn({ current_a: "900", gas_l_min: "20" }, fields, metric);
    expect(problems).toEqual({ current_a: "900 A was given; 3 to 500 A is possible." });
  });
  it("asks for what is needed and refuses what is no figure", () => {
    expect(problemsIn({ current_a: "", gas_l_min: "much" }, fields, metric)).toEqual({
      current_a: "Needed.",
      gas_l_min: "“much” is no figure.",
    });
  });
});

describe("the card in the log", () => {
  const card: CardFigures = {
    current_a: { aim: 43.6, machine: 58.9 },
    polarity: "DCEN",
    cup: { number: 10 },
    gas_part: "gas_lens",
    gas_l_min: { aim: 11.2 },
    stickout_mm: { aim: 4.8 },
    preflow_s: { aim: 0.5 },
    downslope_s: { aim: 4 },
    postflow_s: { aim: 8.3 },
    electrode: { diameter_mm: 1.6 },
    filler: { alloy: "308L", diameter_mm: 1.2 },
    angles_deg: { work: 90, travel: 10 },
    travel_mm_s: { aim: 2.43 },
    dab_pitch_mm: { aim: 2.2 },
  };
  it("is rounded to what a machine can be set to, post-flow never down", () => {
    expect(runFromCard(card)).toMatchObject({
      current_a: 44,
      machine_a: 59,
      gas_l_min: 11,
      postflow_s: 9,
      travel_mm_s: 2.4,
      technique: "dab",
    });
  });
  it("of a fused bead has no filler", () => {
    expect(runFromCard({ ...card, filler: null, dab_pitch_mm: null })).toMatchObject({
      filler_alloy: "none",
      filler_mm: null,
      technique: "fuse",
    });
  });
});

describe("what a run's form opens with", () => {
  const card = { current_a: 45, gas_l_min: 11 };
  const none = { passed: false, runs: [] };
  it("is the card at the first attempt", () => {
    expect(startOf([], 1, none, card)).toEqual({ run: card, words: "with the card" });
  });
  it("is the last good settings where there are any, without their note", () => {
    const last = { passed: true, runs: [{ current_a: 52, note: "hot" }] };
    expect(startOf([], 1, last, card)).toEqual({
      run: { current_a: 52, note: "" },
      words: "with your last good settings",
    });
  });
  it("is the card where the last attempt did not pass", () => {
    expect(startOf([], 1, { passed: false, runs: [{ current_a: 90 }] }, card).run).toBe(card);
  });
  it("is the run before for the next one, and the run itself when it is changed", () => {
    const runs = [
      { number: 1, current_a: 50, note: "first" },
      { number: 2, current_a: 55, note: "second" },
    ];
    expect(startOf(runs, 3, none, card)).toEqual({
      run: { number: 2, current_a: 55, note: "" },
      words: "as run 2",
    });
    expect(startOf(runs, 1, none, card).run).toBe(runs[0]);
  });
});

describe("a figure to be typed", () => {
  it("has no idle noughts and the person's unit", () => {
    expect(figureOf(11, "flow", { length: "mm", flow: "l_min" })).toBe("11");
    expect(figureOf(11.3, "flow", { length: "mm", flow: "l_min" })).toBe("11.3");
    expect(figureOf(11.8, "flow", { length: "mm", flow: "cfh" })).toBe("25");
  });
});
