import { describe, expect, it } from "vitest";
import { figure, measure, toSi, type Units, rulerOf } from "./units";

const metric: Units = { length: "mm", flow: "l_min" };
const customary: Units = { length: "thou", flow: "cfh" };

describe("units", () => {
  it("shows a sheet of a sixteenth of an inch in both units", () => {
    expect(measure(1.5875, "length", metric)).toBe("1.6 mm");
    expect(measure(1.5875, "length", customary)).toBe("63 thou");
  });
  it("shows 9.44 L/min as 20 CFH", () => expect(measure(9.44, "flow", customary)).toBe("20 CFH"));
  it("reads what was typed back to SI", () => {
    expect(toSi("20", "flow", customary)).toBeCloseTo(9.4389, 3);
    expect(toSi("1,5", "length", metric)).toBe(1.5);
    expect(toSi(" ", "length", metric)).toBeNull();
    expect(toSi("ten", "length", metric)).toBeNaN();
  });
  it("never lets a figure drift when it goes there and back", () => {
    const there = figure(12, "flow", customary, 6);
    expect(toSi(there, "flow", customary)).toBeCloseTo(12, 5);
  });
  it("shows nothing as a dash", () => expect(measure(null, "length", metric)).toBe("–"));
});

describe("the ruler", () => {
  it("counts millimetres, or halves of an inch", () => {
    const metric = rulerOf({ length: "mm", flow: "l_min" });
    expect([metric.label(20), metric.name]).toEqual(["20", "mm"]);
    const inches = rulerOf({ length: "thou", flow: "cfh" });
    expect([inches.label(3 * inches.every), inches.name]).toEqual(["1.5", "in"]);
  });
});
