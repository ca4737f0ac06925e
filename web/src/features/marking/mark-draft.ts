import type { Scores } from "./score-shape";

/** A mark while it is set, as far as somebody has set it. */
export type MarkDraft = {
  /** As suggested where nobody has touched a score: then null. */
  scores: Scores | null;
  notApplying: string[];
  /** Automatic fails that are waived. */
  waived: string[];
  /** Totals of covered runs, by their number. */
  runs: Record<string, number>;
  comment: string;
  next: string;
  /** The confirmed cause; undefined: as it was saved. */
  cause: string | null | undefined;
  /** The criterion that the keys go to. */
  row: number;
};

export type CauseChoice = { code: string; advice: string };

type Saved = {
  scores: Scores;
  not_applying: string[];
  waived: string[];
  runs: Record<string, number>;
  comment: string;
  next_change: string;
} | null;

export type MarkEdit =
  | { kind: "score"; shown: Scores; criterion: string; score: number | null }
  | { kind: "scores"; scores: Scores }
  | { kind: "as_suggested" }
  | { kind: "waive"; fault: string }
  | { kind: "run"; run: number; total: number | null }
  | { kind: "comment"; text: string }
  | { kind: "next"; text: string }
  | { kind: "cause"; choice: CauseChoice; confirmed: string | null; causes: CauseChoice[] }
  | { kind: "row"; row: number };

/** The draft of a mark that was saved before, or of none; only a first mark goes on from saved scores. */
export function draftOf(saved: Saved, first: boolean): MarkDraft {
  return {
    scores: first ? (saved?.scores ?? null) : null,
    notApplying: saved?.not_applying ?? [],
    waived: saved?.waived ?? [],
    runs: saved?.runs ?? {},
    comment: saved?.comment ?? "",
    next: saved?.next_change ?? "",
    cause: undefined,
    row: 0,
  };
}

/** The draft after one edit. */
export function edited(draft: MarkDraft, edit: MarkEdit): MarkDraft {
  switch (edit.kind) {
    case "score":
      return {
        ...draft,
        scores: { ...edit.shown, [edit.criterion]: edit.score },
        notApplying:
          edit.score === null
            ? withOne(draft.notApplying, edit.criterion)
            : without(draft.notApplying, edit.criterion),
      };
    case "scores":
      return { ...draft, scores: edit.scores };
    case "as_suggested":
      return { ...draft, scores: null, notApplying: [] };
    case "waive":
      return {
        ...draft,
        waived: draft.waived.includes(edit.fault)
          ? without(draft.waived, edit.fault)
          : withOne(draft.waived, edit.fault),
      };
    case "run":
      return { ...draft, runs: withRun(draft.runs, edit.run, edit.total) };
    case "comment":
      return { ...draft, comment: edit.text };
    case "next":
      return { ...draft, next: edit.text };
    case "cause":
      return withCause(draft, edit);
    case "row":
      return { ...draft, row: edit.row };
  }
}

/** Confirms a cause as what is to change next; confirmed again it is dropped, with the words that came from it. */
function withCause(draft: MarkDraft, { choice, confirmed, causes }: MarkEdit & { kind: "cause" }): MarkDraft {
  const drops = confirmed === choice.code;
  const fromCause = causes.some((one) => one.advice === draft.next);
  const next = drops
    ? fromCause
      ? ""
      : draft.next
    : draft.next === "" || fromCause
      ? choice.advice
      : draft.next;
  return { ...draft, cause: drops ? null : choice.code, next };
}

const withRun = (runs: Record<string, number>, run: number, total: number | null) => {
  const others = Object.entries(runs).filter(([number]) => number !== String(run));
  return Object.fromEntries(total === null ? others : [...others, [run, total]]);
};
const without = (all: string[], one: string) => all.filter((other) => other !== one);
const withOne = (all: string[], one: string) => [...without(all, one), one];
