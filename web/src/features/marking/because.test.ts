import { describe, expect, it } from "vitest";
import { because } from "./because";

const why = (reason: string, figures: Record<string, unknown> = {}) =>
  because({ criterion: "x", weight: 10, score: 5, reason, figures });

describe("from which figures a suggestion comes", () => {
  it("names the figures with their units", () => {
    expect(why("width_cv", { width_cv: 0.061, width_mean_mm: 4.234 })).toBe(
      "width varies 6.1 % around 4.23 mm",
    );
    expect(why("ripple_cv", { ripple_cv: 0.2, pitch_mm: 2, lapses: 3 })).toBe(
      "gaps vary 20.0 % around 2.00 mm, 3 lapses",
    );
    expect(why("toe_waviness", { left_mm: 0.2, right_mm: 0.31 })).toBe(
      "toes wave by 0.20 mm left, 0.31 mm right",
    );
  });
  it("says a tint by number and name", () => {
    expect(why("darker_than_finish", { bead_level: 5, accepted_level: 3 })).toBe(
      "bead 5 blue, only up to 3 copper accepted",
    );
    expect(why("grey_is_a_reject", { grey_share: 0.12 })).toContain("12.0 %");
  });
  it("puts settings and warnings into words", () => {
    expect(why("off_the_card:postflow_s,polarity_wrong")).toBe("off the card: post-flow, polarity wrong");
  });
  it("counts the faults that cost something", () => {
    expect(why("less_for_faults", { cost: 2, pore: 2 })).toBe("mean of the lines above, less 2 for 2 × pore");
  });
  it("has words for a reason it does not know", () => {
    expect(why("something_new")).toBe("nothing measured; set it by eye");
  });
});
