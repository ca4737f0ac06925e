import { describe, expect, it } from "vitest";
import { faultMarks, gapsOf, linePath, tintRuns, valueAt, widthLimits } from "./track-shapes";

describe("track shapes", () => {
  it("draws a width of the upper limit at the top", () =>
    expect(linePath([0, 10], [4, 6], 4, 6, 20)).toBe("M0.00 20.00L10.00 0.00"));
  it("keeps a value outside the limits on the edge", () =>
    expect(linePath([0], [9], 4, 6, 20)).toBe("M0.00 0.00"));
  it("tells a missed dab from a stretch in which no front can be seen", () => {
    const { gaps, median } = gapsOf([0, 2, 4, 8, 10, 16], [6]);
    expect(median).toBe(2);
    expect(gaps.filter((g) => g.kind !== "even")).toEqual([
      { from: 4, to: 8, size: 4, kind: "lapse" },
      { from: 10, to: 16, size: 6, kind: "unseen" },
    ]);
  });
  it("has no gaps for fewer than two fronts", () => expect(gapsOf([3], []).gaps).toEqual([]));
  it("joins millimetres of one level into a run that ends with the bead", () => {
    expect(tintRuns([2, 2, 7, 2], 3.4)).toEqual([
      { from: 0, to: 2, level: 2 },
      { from: 2, to: 3, level: 7 },
      { from: 3, to: 3.4, level: 2 },
    ]);
  });
  it("draws nothing past the end of the bead", () =>
    expect(tintRuns([1, 1, 1, 5], 2.5)).toEqual([{ from: 0, to: 2.5, level: 1 }]));
  it("reads nothing far from any sample", () => {
    expect(valueAt([4, 4.5], [1, 2], 4.4)).toBe(2);
    expect(valueAt([4, 4.5], [1, 2], 20)).toBeNull();
  });
});

describe("faults", () => {
  it("lie over their stretch", () => {
    expect(faultMarks([{ kind: "undercut", s_mm: 20, size_mm: 8 }])).toEqual([
      { kind: "undercut", from: 16, to: 24 },
    ]);
  });
});

describe("the scale of the width", () => {
  it("holds what was measured and what is asked, however far apart", () => {
    const [low, high] = widthLimits(4, [3.9, 4.1], [4.5, 6.3]);
    expect(low).toBeLessThan(3.2);
    expect(high).toBeGreaterThan(6.3);
  });
  it("is narrow around an even bead", () => {
    const [low, high] = widthLimits(4, [3.9, 4.1], undefined);
    expect([low > 3, high < 5]).toEqual([true, true]);
  });
});
