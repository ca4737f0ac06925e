import { describe, expect, it } from "vitest";
import { sectionOf, type SketchInput } from "./section-shapes";

const coupon: SketchInput = {
  joint: "butt",
  thickness_mm: 1.5,
  width_mm: 4,
  work_deg: 90,
  cup: 10,
  stickout_mm: 8,
  electrode_mm: 1.6,
};
const joints = [
  "bead_on_plate",
  "butt",
  "lap",
  "tee",
  "outside_corner",
  "edge",
  "tube_butt",
  "tube_sleeve",
  "tube_sleeve_bend",
  "tube_flange",
  "socket",
  "turntable",
];

describe("the section of a joint", () => {
  it.each(joints)("keeps %s inside its frame, thin and thick", (joint) => {
    for (const thickness_mm of [0.5, 2, 10]) {
      const sketch = sectionOf({ ...coupon, joint, thickness_mm });
      for (const [x, y] of [...sketch.plates.flat(), ...sketch.bead]) {
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x).toBeLessThanOrEqual(320);
        expect(y).toBeGreaterThanOrEqual(0);
        expect(y).toBeLessThanOrEqual(200);
      }
    }
  });
  it("grows with thickness", () => {
    const tall = (mm: number) => {
      const ys = sectionOf({ ...coupon, thickness_mm: mm }).plates[0]?.map((p) => p[1]) ?? [];
      return Math.max(...ys) - Math.min(...ys);
    };
    expect(tall(3)).toBeGreaterThan(tall(1.5));
  });
  it("stands the torch upright on a butt and between the plates of a tee", () => {
    const butt = sectionOf(coupon).torch;
    expect(butt.rod[0][0]).toBeCloseTo(butt.rod[1][0]);
    const tee = sectionOf({ ...coupon, joint: "tee", work_deg: 45 }).torch;
    expect(tee.rod[1][0] - tee.rod[0][0]).toBeCloseTo(tee.rod[0][1] - tee.rod[1][1]);
  });
  it("sticks the electrode out further when asked to", () => {
    const out = (mm: number) => {
      const { rod } = sectionOf({ ...coupon, stickout_mm: mm }).torch;
      return rod[0][1] - rod[1][1];
    };
    expect(out(15)).toBeGreaterThan(out(5));
  });
});
