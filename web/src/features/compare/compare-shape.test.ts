import { describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { commonAxis, commonLimits, rowsOf, verdict } from "./compare-shape";

const report = (widths: number[], cv: number) =>
  ({
    profile: { s_mm: [], width_mm: widths, centre_mm: [] },
    bead: { width_mm: { mean: 4, cv } },
    ripple: null,
    tint: null,
    defects: [],
  }) as unknown as Schemas["Report"];

describe("two beads over one another", () => {
  it("shares one axis that holds both", () => {
    expect(commonAxis({ from_mm: -4, to_mm: 84 }, { from_mm: -6, to_mm: 70 })).toEqual({
      from_mm: -6,
      to_mm: 84,
    });
  });
  it("shares one scale of width with a little room", () => {
    expect(commonLimits(report([4, 5], 0), report([3, 4], 0))).toEqual([2.8, 5.2]);
    expect(commonLimits(report([], 0), report([], 0))).toEqual([0, 1]);
  });
  it("says which got better, and keeps quiet where less is no aim", () => {
    const rows = rowsOf(report([4], 0.1), report([4], 0.05));
    const said = Object.fromEntries(rows.map((row) => [row.words, verdict(row)]));
    expect(said).toMatchObject({
      "Width variation": "better",
      Width: null,
      "Ripple variation": null,
      Faults: "same",
    });
    expect(
      rows.filter((row) => row.words === "Width variation").map((row) => verdict({ ...row, later: 0.2 })),
    ).toEqual(["worse"]);
  });
});
