/** Scores while they are being set; pure. */

import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";

export type Scores = Record<string, number | null>;
export type Suggestion = Schemas["Suggestion"];
export type Proposal = Schemas["Proposal"];
export const HALF = 0.5;

export function suggestedScores(lines: Suggestion[]): Scores {
  return Object.fromEntries(lines.map((s) => [s.criterion, s.score]));
}

/** The total the server will store, to be seen while marking: weighted mean of what applies, out of 100. */
export function totalOf(scores: Scores, lines: Suggestion[]): number | null {
  const counted = lines.flatMap((s) => {
    const score = scores[s.criterion];
    return score === null || score === undefined ? [] : [{ weight: s.weight, score }];
  });
  const weights = counted.reduce((sum, c) => sum + c.weight, 0);
  return weights === 0
    ? null
    : toTenth(((counted.reduce((sum, c) => sum + c.weight * c.score, 0) / weights) * 100) / 10);
}

/** To a tenth as Python rounds: of a quarter, the one exact tie that goes down, to the even digit. */
function toTenth(value: number): number {
  const whole = Math.floor(value);
  return value - whole === 0.25 ? whole + 0.2 : Number(value.toFixed(1));
}

/** Lines that have neither a score nor are said not to apply: with any of them nothing can be returned. */
export function missingIn(scores: Scores, notApplying: string[], lines: Suggestion[]): Suggestion[] {
  return lines.filter(
    (s) => typeof scores[s.criterion] !== "number" && s.applies && !notApplying.includes(s.criterion),
  );
}

/** How many of the lines the total comes from, in words; nothing where all that apply are set. */
export function partWords(scores: Scores, lines: Suggestion[]): string {
  const marked = lines.filter((s) => typeof scores[s.criterion] === "number").length;
  return marked === lines.length ? "" : t("marking-of-criteria-scored", { marked, count: lines.length });
}

/** What somebody is to do with an attempt: give the first mark, a second one blind, or agree on one of both. */
export type Duty = "mark" | "second" | "agree";

export function dutyOf(steps: readonly string[]): Duty {
  if (steps.includes("agree")) return "agree";
  return steps.includes("mark_second") ? "second" : "mark";
}

/** Where agreeing begins: what both gave, and the middle in halves where they differ. */
export function between(first: Scores, second: Scores): Scores {
  return Object.fromEntries(
    Object.entries(first).map(([key, one]) => {
      const other = second[key] ?? null;
      return [key, one === null || other === null ? (one ?? other) : Math.round(one + other) / 2];
    }),
  );
}

/** One step up or down in halves; a line without a score starts in the middle. */
export function stepped(score: number | null | undefined, by: number): number {
  return Math.min(10, Math.max(0, (score ?? 5) + by));
}

/** A phrase with the figures of the attempt in its placeholders. */
export function filled(phrase: string, values: Record<string, string>): string {
  return phrase.replaceAll(/\{(\w+)\}/g, (whole, name: string) => values[name] ?? whole);
}

export type Key =
  | "up"
  | "down"
  | "more"
  | "less"
  | "suggested"
  | "skip"
  | "return"
  | "save"
  | "next"
  | "comment"
  | "phrases"
  | "photo"
  | "findings"
  | "another_photo"
  | "weld_again"
  | "log"
  | "cause1"
  | "cause2"
  | "cause3"
  | "both";

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
  n: "next",
  w: "comment",
  c: "phrases",
  p: "photo",
  f: "findings",
  l: "log",
  b: "another_photo",
  g: "weld_again",
  "1": "cause1",
  "2": "cause2",
  "3": "cause3",
  d: "both",
};

/** What a key means on the marking desk; nothing while somebody types, with a modifier held or under a dialog. */
export function meaningOf(event: {
  key: string;
  ctrlKey: boolean;
  metaKey: boolean;
  altKey: boolean;
  target: EventTarget | null;
}): Key | null {
  if (event.ctrlKey || event.metaKey || event.altKey) return null;
  const target = event.target as { tagName?: string; closest?: (what: string) => unknown } | null;
  const tag = target?.tagName ?? "";
  if (["INPUT", "TEXTAREA", "SELECT"].includes(tag)) return null;
  if (target?.closest?.("dialog")) return null;
  if (event.key === "Enter" && ["BUTTON", "A", "SUMMARY"].includes(tag)) return null;
  return keys[event.key] ?? null;
}
