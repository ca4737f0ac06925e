import { describe, expect, it } from "vitest";
import { beatsFor, phaseAt, type Plan } from "./beat";

const plan: Plan = { settle_s: 2, per_second: 1.25, beats: 10, hold_s: 8 };

describe("the beat of a run", () => {
  it("settles, counts, holds and ends", () => {
    expect(phaseAt(0.5, plan)).toMatchObject({ phase: "settle", left_s: 1.5 });
    expect(phaseAt(2, plan)).toMatchObject({ phase: "beat", beat: 1, part: 0 });
    expect(phaseAt(2.81, plan)).toMatchObject({ phase: "beat", beat: 2 });
    expect(phaseAt(9.99, plan)).toMatchObject({ phase: "beat", beat: 10 });
    expect(phaseAt(10.01, plan)).toMatchObject({ phase: "hold", beat: 10 });
    expect(phaseAt(18.1, plan)).toMatchObject({ phase: "done", left_s: 0 });
  });
  it("never counts past the last beat", () => {
    for (let t = 0; t < 20; t += 0.05) expect(phaseAt(t, plan).beat).toBeLessThanOrEqual(10);
  });
  it("counts dabs to a length", () => {
    expect(beatsFor(90, 2.2)).toBe(41);
    expect(beatsFor(1, 2.2)).toBe(1);
  });
});
