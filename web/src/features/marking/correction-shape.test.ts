import { describe, expect, it } from "vitest";
import shared from "../../../../tests/cases/moved_toes.json";
import { dragged, frontStep, nudged, shareMoved, stepWords, toeAt, toesOf } from "./correction-shape";

const toes = { s_mm: [0, 1, 2, 3, 4], left_n_mm: [-2, -2, -2, -2, -2], right_n_mm: [2, 2, 2, 2, 2] };
const mm = { length: "mm", flow: "l_min" } as const;

describe("correcting on the strip", () => {
  it("takes hold of the nearer toe, and of none from the middle", () => {
    expect(toeAt(toes, 2, -1.4)).toBe("left");
    expect(toeAt(toes, 2, 2.9)).toBe("right");
    expect(toeAt(toes, 2, 0.1)).toBeNull();
  });
  it("pulls a toe most where it is held and not at all beyond its reach", () => {
    const pulled = dragged(toes.s_mm, toes.right_n_mm, 2, 3, 2);
    expect(pulled[2]).toBeCloseTo(3);
    expect(pulled[1]).toBeCloseTo(2.5);
    expect(pulled[0]).toBeCloseTo(2);
  });
  it.each(shared.cases)("moves what is beside it as the server will, within $reach_mm mm", (one) => {
    for (const [i, away] of one.away_mm.entries())
      expect(shareMoved(away, one.reach_mm)).toBeCloseTo(one.share[i] ?? NaN, 8);
  });
  it("nudges either toe outward, away from the middle", () => {
    expect(nudged(toes, "left", 2, 0.1, 4).n_mm).toBeCloseTo(-2.1);
    expect(nudged(toes, "right", 2, 0.1, 4).n_mm).toBeCloseTo(2.1);
  });
  it("joins on a front and cuts between two", () => {
    expect(frontStep([2, 4, 6], 4.3).step).toBe("remove_front");
    expect(frontStep([2, 4, 6], 5)).toEqual({ step: "add_front", s_mm: 5 });
  });
  it("says what was done in the person's units", () => {
    expect(stepWords({ step: "move_toe", side: "left", s_mm: 40, n_mm: -3 }, mm)).toBe(
      "left toe moved at 40.0 mm",
    );
    expect(
      stepWords({ step: "remove_fault", kind: "burn_through", s_mm: 25.4 }, { length: "thou", flow: "cfh" }),
    ).toBe("burn-through removed at 1000 thou");
    expect(stepWords({ step: "start_at_other_end" }, mm)).toBe("start and end swapped");
  });
  it("has no toes where the engine kept none", () =>
    expect(toesOf({ size: [1, 1], left: [], right: [], centre: [], fronts: [] })).toBeNull());
});
