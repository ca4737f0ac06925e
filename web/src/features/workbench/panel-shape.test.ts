import { describe, expect, it } from "vitest";
import { labelOf, siFrom, formatValue, typedFrom, type Panel } from "./panel-shape";

const metric = { length: "mm", flow: "l_min" } as const;
const us = { length: "thou", flow: "cfh" } as const;
const input = (key: string, kind: string, unit: string, value: string, options = {}) => ({
  key,
  words: key,
  kind,
  unit,
  default: value,
  low: 0,
  high: 100,
  step: 1,
  options,
});
const panel: Panel = {
  key: "gas",
  words: "Cup and flow",
  formula: "",
  source: "",
  inputs: [
    input("gas_l_min", "flow", "L/min", "8"),
    input("volts", "plain", "V", "10.5"),
    input("gas_part", "choice", "", "gas_lens", { gas_lens: "gas lens" }),
  ],
};

describe("a calculator", () => {
  it("opens with its defaults or the figures of a link, in the person's units", () => {
    expect(typedFrom(panel, null, metric)).toEqual({ gas_l_min: "8", volts: "10.5", gas_part: "gas_lens" });
    expect(typedFrom(panel, { gas_l_min: "9.44" }, us).gas_l_min).toBe("20");
  });
  it("sends SI, leaves out what is empty and sends what is no figure as typed", () => {
    expect(siFrom(panel, { gas_l_min: "20", volts: "", gas_part: "gas_lens" }, us)).toEqual({
      gas_l_min: "9.43895",
      gas_part: "gas_lens",
    });
    expect(siFrom(panel, { gas_l_min: "much" }, us).gas_l_min).toBe("much");
  });
  it("names a unit only where the person's units do not", () => {
    expect(panel.inputs.map(labelOf)).toEqual(["gas_l_min", "volts, V", "gas_part"]);
  });
  it("tells a result in the person's units", () => {
    const result = { key: "x", words: "x", value: 25.4, quantity: "length", unit: "mm", digits: 2 };
    expect(formatValue(result, metric)).toBe("25.40 mm");
    expect(formatValue(result, us)).toBe("1000 thou");
  });
});
