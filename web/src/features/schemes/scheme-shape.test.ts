import { describe, expect, it } from "vitest";
import { criteria } from "../../domain/words";
import { changedLine, lineFor, movedPoint, shareOf, unused, withoutLine, type Body } from "./scheme-shape";

const body: Body = {
  title: "Mine",
  lines: [lineFor("tint"), { ...lineFor("face"), weight: 30 }],
  knock_outs: [],
  pass_mark: 70,
  time_limit_s: null,
};

describe("a scheme", () => {
  it("starts a line with the criterion's own curve or options", () => {
    expect(body.lines[0]?.curve[0]).toEqual([0, 10]);
    expect(body.lines[1]?.options).toMatchObject({ flat: 10 });
    expect(body.lines[1]?.curve).toEqual([]);
  });
  it("offers what it does not have yet", () =>
    expect(unused(body)).toHaveLength(Object.keys(criteria).length - 2));
  it("sets weights against their sum", () => {
    expect(body.lines[1] && shareOf(body, body.lines[1])).toBe(75);
    expect(withoutLine(body, 1).lines).toHaveLength(1);
    expect(changedLine(body, 0, { weight: 30 }).lines[0]?.weight).toBe(30);
    expect(body.lines[0]?.weight).toBe(10);
  });
  it("keeps a dragged point between its neighbours, in halves", () => {
    const curve = [
      [0, 10],
      [1, 5],
      [2, 0],
    ];
    expect(movedPoint(curve, 1, 5, 5.3)[1]?.[1]).toBe(5.5);
    expect(movedPoint(curve, 1, 5, 12)[1]?.[0]).toBeLessThanOrEqual(2);
    expect(movedPoint(curve, 0, -4, -1)[0]).toEqual([0, 0]);
    expect(movedPoint(curve, 2, 9, 1)[2]).toEqual([9, 1]);
  });
});
