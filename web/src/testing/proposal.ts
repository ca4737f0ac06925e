import type { Schemas } from "../api/client";

/** One line of a scheme, as tests need it. */
export function line(given: Partial<Schemas["Suggestion"]>): Schemas["Suggestion"] {
  return {
    criterion: "width_evenness",
    words: "Even width",
    weight: 25,
    score: 8,
    applies: true,
    reason: "width_cv",
    because: "width varies 6.1 %",
    figure: 0.061,
    figure_in_words: "6.1 %",
    figure_name: "coefficient of variation of the width",
    curve: [
      [0.02, 10],
      [0.2, 0],
    ],
    needs: [],
    ...given,
  };
}

/** What a scheme suggests, as tests need it. */
export function proposal(given: Partial<Schemas["Proposal"]> = {}): Schemas["Proposal"] {
  return {
    scheme: "Training, version 1",
    pass_mark: 70,
    lines: [
      line({ weight: 60 }),
      line({
        criterion: "tint",
        words: "Heat tint",
        weight: 40,
        score: null,
        figure: null,
        figure_in_words: "",
        because: "nothing measured",
      }),
    ],
    knocked: [],
    findings: [],
    found: {},
    back_seen: null,
    placeholders: { name: "Wen", width: "4.6 mm" },
    ...given,
  };
}
