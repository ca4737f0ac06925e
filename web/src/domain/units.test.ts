import { describe, expect, it } from "vitest";
import sizes from "../../../tests/cases/sizes.json";
import { cupWords, figure, measure, rulerOf, stepped, toSi, type Units } from "./units";

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
  it("gives what rounds to nothing no sign", () => {
    expect(measure(-0.004, "length", metric, 2)).toBe("0.00 mm");
    expect(measure(-0.006, "length", metric, 2)).toBe("-0.01 mm");
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

describe("sizes of what is bought", () => {
  it.each(sizes.cases)("names $mm mm as $us, as the server does", ({ mm, us }) => {
    expect(measure(mm, "size", customary)).toBe(us);
    expect(measure(mm, "size", metric)).toBe(`${mm.toFixed(1)} mm`);
    expect(toSi(us.replace(" in", ""), "size", customary)).toBe(mm);
  });
  it("steps by a 32nd of an inch, never to nothing", () => {
    expect(stepped("1/16", 1, "size", customary, 0.2)).toBe("3/32");
    expect(stepped("1/32", -1, "size", customary, 0.2)).toBe("1/32");
    expect(stepped("thick", 1, "size", customary, 0.2)).toBe("1/32");
    expect(stepped("1.6", -1, "size", metric, 0.2)).toBe("1.4");
  });
  it("says a cup's bore to those who think in inches", () => {
    expect([cupWords(8, metric), cupWords(8, customary)]).toEqual(["no. 8", "no. 8 (1/2 in)"]);
  });
});
