import { expect, test } from "vitest";
import { drawings } from "./preparation-shapes";

test("every drawing stays in its frame", () => {
  for (const [step, drawing] of Object.entries(drawings)) {
    const moves =
      Object.values(drawing ?? {})
        .join(" ")
        .match(/[MHVL][\d. -]+/g) ?? [];
    expect(moves.length, step).toBeGreaterThan(0);
    for (const move of moves)
      for (const at of move.match(/-?[\d.]+/g) ?? []) {
        expect(Number(at), `${step} ${move}`).toBeGreaterThanOrEqual(0);
        expect(Number(at), `${step} ${move}`).toBeLessThanOrEqual(96);
      }
  }
});
