import { describe, expect, it } from "vitest";
import { draftOf, edited, type MarkDraft, type MarkEdit } from "./mark-draft";

const saved = {
  scores: { width: 8, toes: 7 },
  not_applying: ["ripples"],
  waived: ["pore"],
  runs: { "1": 80 },
  comment: "Calm.",
  next_change: "Slower.",
};
const causes = [
  { code: "flow_low", advice: "Set 9 L/min." },
  { code: "torch_pulled_early", advice: "Wait." },
];
const after = (draft: MarkDraft, ...edits: MarkEdit[]) => edits.reduce(edited, draft);
const confirm = (k: number, confirmed: string | null): MarkEdit => ({
  kind: "cause",
  choice: causes[k] ?? { code: "", advice: "" },
  confirmed,
  causes,
});

describe("a draft", () => {
  it("goes on from a first mark, and begins as suggested for a second one", () => {
    expect(draftOf(saved, true).scores).toEqual(saved.scores);
    expect(draftOf(saved, false).scores).toBeNull();
    expect(draftOf(null, true)).toMatchObject({ scores: null, comment: "", waived: [], cause: undefined });
  });

  it("takes over what is shown with the first score that is touched", () => {
    const draft = after(draftOf(null, true), {
      kind: "score",
      shown: { width: 9, toes: 6 },
      criterion: "toes",
      score: 6.5,
    });
    expect(draft.scores).toEqual({ width: 9, toes: 6.5 });
  });

  it("marks a criterion as not applying once, and no longer when it is scored", () => {
    const skip: MarkEdit = { kind: "score", shown: {}, criterion: "toes", score: null };
    const draft = after(draftOf(null, true), skip, skip);
    expect(draft.notApplying).toEqual(["toes"]);
    expect(after(draft, { ...skip, score: 5 } as MarkEdit).notApplying).toEqual([]);
  });

  it("goes back to what is suggested", () => {
    expect(after(draftOf(saved, true), { kind: "as_suggested" })).toMatchObject({
      scores: null,
      notApplying: [],
    });
  });

  it("waives an automatic fail and counts it again", () => {
    const waive: MarkEdit = { kind: "waive", fault: "crater" };
    expect(after(draftOf(saved, true), waive).waived).toEqual(["pore", "crater"]);
    expect(after(draftOf(saved, true), waive, waive).waived).toEqual(["pore"]);
  });

  it("sets the mark of a covered run, and clears it", () => {
    const run = (total: number | null): MarkEdit => ({ kind: "run", run: 2, total });
    expect(after(draftOf(saved, true), run(72)).runs).toEqual({ "1": 80, "2": 72 });
    expect(after(draftOf(saved, true), run(72), run(null)).runs).toEqual({ "1": 80 });
  });

  it("writes a confirmed cause's advice where nothing else was written", () => {
    const draft = after(draftOf(null, true), confirm(0, null));
    expect(draft).toMatchObject({ cause: "flow_low", next: "Set 9 L/min." });
    expect(after(draft, confirm(1, "flow_low"))).toMatchObject({
      cause: "torch_pulled_early",
      next: "Wait.",
    });
    expect(after(draft, confirm(0, "flow_low"))).toMatchObject({ cause: null, next: "" });
  });

  it("leaves own words alone", () => {
    const own = after(draftOf(saved, true), confirm(0, null));
    expect(own).toMatchObject({ cause: "flow_low", next: "Slower." });
    expect(after(own, confirm(0, "flow_low")).next).toBe("Slower.");
  });
});
