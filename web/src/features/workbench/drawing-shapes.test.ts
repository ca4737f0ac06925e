import { describe, expect, it } from "vitest";
import { curve, onRing, ringArc, turnOf } from "./drawing-shapes";

describe("drawings", () => {
  it("fills the frame with a curve, high figures up", () => {
    expect(curve([0, 1, 2], [0, 5, 10], 200, 100)).toEqual([
      [0, 100],
      [100, 50],
      [200, 0],
    ]);
  });
  it("counts degrees clockwise from the top", () => {
    const [x, y] = onRing(90, 10, [50, 50]);
    expect(x).toBeCloseTo(60);
    expect(y).toBeCloseTo(50);
  });
  it("takes the long way for more than half a ring", () => {
    expect(ringArc(0, 200, 10, [50, 50])).toContain(" 0 1 1 ");
    expect(ringArc(0, 100, 10, [50, 50])).toContain(" 0 0 1 ");
  });
  it("knows the turn of a run", () =>
    expect([1, 2, 3, 4, 5].map((run) => turnOf([1, 3, 5, 2, 4], run))).toEqual([1, 4, 2, 5, 3]));
});
