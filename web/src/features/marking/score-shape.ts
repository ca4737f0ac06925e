/** Scores while they are being set; pure. */

import type { Schemas } from "../../api/client";

export type Scores = Record<string, number | null>;
export type Suggestion = Pick<Schemas["Suggestion"], "criterion" | "words" | "weight" | "score" | "because">;
export const HALF = 0.5;

export function suggestedScores(suggestions: Suggestion[]): Scores {
  return Object.fromEntries(suggestions.map((s) => [s.criterion, s.score]));
}

/** The total the server will compute, to be seen while marking: weighted mean of what applies, out of 100. */
export function totalOf(scores: Scores, suggestions: Suggestion[]): number | null {
  const counted = suggestions.flatMap((s) => {
    const score = scores[s.criterion];
    return score === null || score === undefined ? [] : [{ weight: s.weight, score }];
  });
  const weights = counted.reduce((sum, c) => sum + c.weight, 0);
  return weights === 0 ? null : (counted.reduce((sum, c) => sum + c.weight * c.score, 0) / weights) * 10;
}

/** How many of the lines are marked, in words; nothing where all are. */
export function partWords(scores: Scores, suggestions: Suggestion[]): string {
  const marked = suggestions.filter((s) => typeof scores[s.criterion] === "number").length;
  return marked === suggestions.length ? "" : `from ${String(marked)} of ${String(suggestions.length)} lines`;
}

/** One step up or down in halves; a criterion that did not apply starts in the middle. */
export function stepped(score: number | null | undefined, by: number): number {
  return Math.min(10, Math.max(0, (score ?? 5) + by));
}

export type Key =
  "up" | "down" | "more" | "less" | "suggested" | "skip" | "return" | "save" | "overlay" | "next" | "comment";

const keys: Record<string, Key> = {
  ArrowUp: "up",
  ArrowDown: "down",
  ArrowRight: "more",
  ArrowLeft: "less",
  "+": "more",
  "-": "less",
  a: "suggested",
  x: "skip",
  Enter: "return",
  s: "save",
  t: "overlay",
  n: "next",
  w: "comment",
};

/** What a key means on the marking desk; nothing while somebody types or with a modifier held. */
export function meaningOf(event: {
  key: string;
  ctrlKey: boolean;
  metaKey: boolean;
  altKey: boolean;
  target: EventTarget | null;
}): Key | null {
  if (event.ctrlKey || event.metaKey || event.altKey) return null;
  const tag = (event.target as { tagName?: string } | null)?.tagName ?? "";
  if (["INPUT", "TEXTAREA", "SELECT"].includes(tag)) return null;
  if (event.key === "Enter" && ["BUTTON", "A"].includes(tag)) return null;
  return keys[event.key] ?? null;
}
