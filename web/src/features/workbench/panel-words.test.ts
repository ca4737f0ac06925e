import { describe, expect, it } from "vitest";
import { figureWords, panelWords } from "./panel-words";

describe("words of the workbench", () => {
  it("are short enough for a label", () => {
    for (const words of [...Object.values(panelWords), ...Object.values(figureWords)]) {
      expect(words.length).toBeGreaterThan(2);
      expect(words.length).toBeLessThan(26);
    }
  });
  it("do not name two calculators alike", () => {
    expect(new Set(Object.values(panelWords)).size).toBe(Object.keys(panelWords).length);
  });
});
