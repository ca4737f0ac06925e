import { describe, expect, it } from "vitest";
import { fields } from "../../domain/run-fields";
import { cooled, figureOf, problemsIn, runFrom, startOf, typedFrom } from "./log-shape";

const metric = { length: "mm", flow: "l_min" } as const;
const customary = { length: "thou", flow: "cfh" } as const;
const good = { current_a: "62", gas_l_min: "11" };

describe("the log", () => {
  it("sends what was typed in CFH as L/min and what was left out as nothing", () => {
    const run = runFrom(
      { current_a: "62", gas_l_min: "20", polarity: "", note: "" },
      fields,
      customary,
      null,
    );
    expect(run.gas_l_min).toBeCloseTo(9.44, 2);
    expect(run.polarity).toBeNull();
    expect(run.note).toBe("");
    expect(run.draught).toBeNull();
  });
  it("keeps an untouched figure to the last digit in whatever unit it is shown", () => {
    const before = { current_a: 62, gas_l_min: 11.3, polarity: "DCEN", note: "", torch: 17, part_hot: true };
    const typed = typedFrom(before, fields, customary);
    expect(runFrom(typed, fields, customary, before)).toMatchObject(before);
  });
  it("names the figure and what is possible in the person's unit", () => {
    expect(problemsIn({ ...good, current_a: "9000" }, fields, metric)).toEqual({
      current_a: "Welding current: enter 1 to 1000 A (you entered 9000 A).",
    });
    expect(problemsIn({ ...good, stickout_mm: "9000" }, fields, customary).stickout_mm).toContain(
      "2362.2 thou",
    );
  });
  it("asks for what is needed and refuses what is enter a number", () => {
    expect(problemsIn({ current_a: "", gas_l_min: "much" }, fields, metric)).toEqual({
      current_a: "Required.",
      gas_l_min: "Gas flow: enter a number (you entered “much”).",
    });
  });
  it("sends a torch as its number, a tick as yes and places as a list", () => {
    const typed = { ...good, torch: "17", draught: "yes", restarts_mm: "31; 62,5  80" };
    expect(runFrom(typed, fields, metric, null)).toMatchObject({
      torch: 17,
      draught: true,
      restarts_mm: [31, 62.5, 80],
    });
    expect(problemsIn({ ...typed, restarts_mm: "31 x" }, fields, metric).restarts_mm).toContain(
      "enter a number",
    );
  });
  it("takes a tick back to nothing", () => {
    expect(runFrom({ ...good, draught: "" }, fields, metric, { draught: true }).draught).toBeNull();
  });
});

describe("what a run's form opens with", () => {
  const card = { current_a: 45, gas_l_min: 11 };
  const none = { passed: false, runs: [] };
  it("is the card at the first attempt", () => {
    expect(startOf([], 1, none, card)).toEqual({
      run: card,
      words: "Filled with the card settings. Change only what differed.",
    });
  });
  it("is the last good settings where there are any, without what was noticed then", () => {
    const last = { passed: true, runs: [{ current_a: 52, note: "hot", arc_s: 40, draught: true }] };
    expect(startOf([], 1, last, card).run).toMatchObject({
      current_a: 52,
      note: "",
      arc_s: null,
      draught: null,
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
    expect(startOf(runs, 3, none, card)).toMatchObject({
      run: { current_a: 55, note: "" },
      words: "Filled with run 2. Change only what differed.",
    });
    expect(startOf(runs, 1, none, card).run).toBe(runs[0]);
  });
});

describe("a figure to be typed", () => {
  it("has no idle noughts and the person's unit", () => {
    expect(figureOf(11, "flow", metric)).toBe("11");
    expect(figureOf(11.3, "flow", metric)).toBe("11.3");
    expect(figureOf(11.8, "flow", customary)).toBe("25");
  });
});

it("starts a run after another with the time since, unless it was hours", () => {
  const start = { run: { current_a: 50 }, words: "" };
  const now = Date.parse("2026-12-01T18:10:00Z");
  expect(cooled(start, "2026-12-01T18:06:56Z", now).run).toEqual({ current_a: 50, cooled_s: 180 });
  expect(cooled(start, "2026-12-01T14:00:00Z", now)).toBe(start);
  expect(cooled(start, null, now)).toBe(start);
});
