import { describe, expect, it } from "vitest";
import { line } from "../../testing/proposal";
import shared from "../../../../tests/cases/totals.json";
import { filled, meaningOf, missingIn, partWords, stepped, suggestedScores, totalOf } from "./score-shape";

const lines = [
  line({ criterion: "width_evenness", weight: 25, score: 8 }),
  line({ criterion: "ripple_evenness", weight: 20, score: null, applies: false }),
  line({ criterion: "tint", weight: 20, score: 4 }),
];
const key = (key: string, tagName = "BODY", held = {}) =>
  meaningOf({
    key,
    ctrlKey: false,
    metaKey: false,
    altKey: false,
    target: { tagName } as unknown as EventTarget,
    ...held,
  });

describe("marking", () => {
  it("leaves a criterion that not applicable out of the total", () =>
    expect(totalOf(suggestedScores(lines), lines)).toBe(62.2));
  it.each(shared.cases)("totals $scores at $weights as the server does", ({ weights, scores, total }) => {
    const weighed = weights.map((weight, k) => line({ criterion: String(k), weight }));
    expect(totalOf(Object.fromEntries(scores.map((score, k) => [String(k), score])), weighed)).toBe(total);
  });
  it("has no total without any score", () => expect(totalOf({}, lines)).toBeNull());
  it("says how much of the sheet the total comes from", () => {
    expect(partWords(suggestedScores(lines), lines)).toBe("2 of 3 criteria scored");
    expect(partWords({ width_evenness: 8, ripple_evenness: 0, tint: 4 }, lines)).toBe("");
    expect(partWords({}, lines)).toBe("0 of 3 criteria scored");
  });
  it("misses what has no score and is not said to be left out", () => {
    const open = { width_evenness: 8, ripple_evenness: null, tint: null };
    expect(missingIn(open, [], lines).map((l) => l.criterion)).toEqual(["tint"]);
    expect(missingIn(open, ["tint"], lines)).toEqual([]);
  });
  it("steps in halves and stops at the ends", () => {
    expect(stepped(9.5, 0.5)).toBe(10);
    expect(stepped(10, 0.5)).toBe(10);
    expect(stepped(0, -0.5)).toBe(0);
    expect(stepped(null, 0.5)).toBe(5.5);
  });
  it("returns a clear pass with one key, never while typing or under a dialog", () => {
    expect(key("Enter")).toBe("return");
    expect(key("Enter", "TEXTAREA")).toBeNull();
    expect(key("Enter", "BUTTON")).toBeNull();
    expect(key("s", "BODY", { ctrlKey: true })).toBeNull();
    const under = { tagName: "DIV", closest: () => ({}) } as unknown as EventTarget;
    expect(key("Enter", "BODY", { target: under })).toBeNull();
    expect(key("2")).toBe("cause2");
  });
  it("puts the attempt's figures into a phrase and leaves what it does not know", () =>
    expect(filled("{name}: {width}, {colour}", { name: "Wen", width: "4.6 mm" })).toBe(
      "Wen: 4.6 mm, {colour}",
    ));
});
