import { describe, expect, it } from "vitest";
import { meaningOf, partWords, stepped, suggestedScores, totalOf, type Suggestion } from "./score-shape";

const suggestions: Suggestion[] = [
  { criterion: "width_evenness", weight: 25, score: 8, words: "x", because: "width_cv" },
  { criterion: "ripple_evenness", weight: 20, score: null, words: "x", because: "no_ripples_to_judge" },
  { criterion: "tint", weight: 20, score: 4, words: "x", because: "darker_than_finish" },
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
  it("leaves a criterion that does not apply out of the total", () =>
    expect(totalOf(suggestedScores(suggestions), suggestions)).toBeCloseTo((25 * 80 + 20 * 40) / 45, 6));
  it("has no total without any score", () => expect(totalOf({}, suggestions)).toBeNull());
  it("says how much of the sheet the total comes from", () => {
    expect(partWords(suggestedScores(suggestions), suggestions)).toBe("from 2 of 3 lines");
    expect(partWords({ width_evenness: 8, ripple_evenness: 0, tint: 4 }, suggestions)).toBe("");
    expect(partWords({}, suggestions)).toBe("from 0 of 3 lines");
  });
  it("steps in halves and stops at the ends", () => {
    expect(stepped(9.5, 0.5)).toBe(10);
    expect(stepped(10, 0.5)).toBe(10);
    expect(stepped(0, -0.5)).toBe(0);
    expect(stepped(null, 0.5)).toBe(5.5);
  });
  it("returns a clear pass with one key, never while typing", () => {
    expect(key("Enter")).toBe("return");
    expect(key("Enter", "TEXTAREA")).toBeNull();
    expect(key("Enter", "BUTTON")).toBeNull();
    expect(key("s", "BODY", { ctrlKey: true })).toBeNull();
  });
});
