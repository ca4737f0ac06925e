/** What is typed in the log, before it is a run; pure, so that it can be tested without a page. */

import { t } from "../../catalogue";
import { fieldWords } from "../../domain/words";
import { figure, shownAs, toSi, trimmed, type Quantity, type Units } from "../../domain/units";
import type { Schemas } from "../../api/client";
import { isNumbered, quantityIn, type Field } from "../../domain/run-fields";
import type { Attempt } from "../../domain/use-attempt";

export type Typed = Record<string, string>;
export type Value = string | number | boolean | number[] | null;
export type Run = Record<string, Value>;

const FINE_DIGITS = 2;
export const YES = "yes";

const kindOf = (field: Field): Quantity => quantityIn(field)?.kind ?? "plain";
const asTyped = (si: number, field: Field, units: Units) =>
  trimmed(figure(si, kindOf(field), units, FINE_DIGITS));

/** A run as it is typed in the person's units. */
export function typedFrom(run: Partial<Run> | null, fields: readonly Field[], units: Units): Typed {
  const typed: Typed = {};
  for (const field of fields) {
    const value = run?.[field.key];
    if (value === null || value === undefined || value === false) typed[field.key] = "";
    else if (value === true) typed[field.key] = YES;
    else if (Array.isArray(value)) typed[field.key] = value.map((v) => asTyped(v, field, units)).join("  ");
    else if (typeof value === "number" && field.sort === "figure")
      typed[field.key] = asTyped(value, field, units);
    else typed[field.key] = String(value);
  }
  return typed;
}

/** Figures of a list, in SI: parted by blanks or semicolons, so that a comma may be the decimal point. */
function listOf(text: string, field: Field, units: Units): number[] {
  return text
    .split(/[\s;]+/)
    .filter((part) => part !== "")
    .map((part) => toSi(part, kindOf(field), units) ?? NaN);
}

function valueOf(text: string, field: Field, units: Units): Value {
  switch (field.sort) {
    case "figure":
      return toSi(text, kindOf(field), units);
    case "several":
      return listOf(text, field, units);
    case "flag":
      return text === YES ? true : null;
    case "text":
      return text;
    case "choice":
      return text === "" ? null : isNumbered(field) ? Number(text) : text;
  }
}

/** The run in SI; figures the person did not touch stay exactly as they were. */
export function runFrom(
  typed: Typed,
  fields: readonly Field[],
  units: Units,
  before: Partial<Run> | null,
): Run {
  const unchanged = typedFrom(before, fields, units);
  const run: Run = {};
  for (const field of fields) {
    const text = typed[field.key] ?? "";
    const same = before && text !== "" && text === unchanged[field.key];
    run[field.key] = same ? (before[field.key] ?? null) : valueOf(text, field, units);
  }
  return run;
}

/** What is wrong with each field, in the person's units. */
export function problemsIn(typed: Typed, fields: readonly Field[], units: Units): Record<string, string> {
  const problems: Record<string, string> = {};
  for (const field of fields) {
    const text = (typed[field.key] ?? "").trim();
    const info = quantityIn(field);
    if (!info) continue;
    if (text === "") {
      if (field.required) problems[field.key] = t("attempt-needed");
      continue;
    }
    const values =
      field.sort === "several" ? listOf(text, field, units) : [toSi(text, info.kind, units) ?? NaN];
    const { label } = shownAs(info.kind, units);
    const ends = [info.low, info.high].map((v) => trimmed(figure(v, info.kind, units, 1)));
    if (values.some(Number.isNaN))
      problems[field.key] = t("attempt-enter-a-number", { field: fieldWords(field.key), text });
    else if (values.some((v) => v < info.low || v > info.high))
      problems[field.key] = t("attempt-enter-between", {
        field: fieldWords(field.key),
        low: ends[0] ?? "",
        high: `${ends[1] ?? ""} ${label}`.trim(),
        given: `${text} ${label}`.trim(),
      });
  }
  return problems;
}

/** What belongs to one run only and is never filled in from another. */
const OWN: Partial<Run> = {
  note: "",
  arc_s: null,
  dabs: null,
  restarts_mm: [],
  electrode_after: null,
  rod_end: null,
  arc: null,
  puff_at_start: null,
  draught: null,
  part_hot: null,
};

export type Start = { run: Partial<Run>; words: string };

const given = (run: Partial<Run>) =>
  Object.fromEntries(Object.entries(run).filter(([, value]) => value !== null)) as Partial<Run>;

/** What a run's form opens with: the run as saved; where runs are `planned`, the card's of this number after the first;
 *  the run before it, the last one that passed, else the card. */
export function startOf(
  runs: (Run & { number: number })[],
  number: number,
  last: { passed: boolean; runs: unknown[] },
  card: Partial<Run>,
  planned = false,
): Start {
  const saved = runs.find((r) => r.number === number);
  if (saved) return { run: saved, words: t("attempt-as-saved") };
  const before = runs.at(-1);
  if (before && planned)
    return { run: { ...before, ...OWN, ...given(card) }, words: t("attempt-with-the-card-settings") };
  if (before) return { run: { ...before, ...OWN }, words: t("attempt-as-run", { number: before.number }) };
  if (last.passed && last.runs[0])
    return { run: { ...(last.runs[0] as Run), ...OWN }, words: t("attempt-with-your-last-good-settings") };
  return { run: card, words: t("attempt-with-the-card-settings") };
}

const TENS = 10;
/** s. After longer than this nobody waited for the part to cool; they went home. */
const MAX_COOLED_S = 3600;

/** A new run with the time since the last one was logged, by the clock (ms since 1970). */
export function cooled(start: Start, last_at: string | null, now_ms: number): Start {
  const since_s = last_at === null ? Infinity : (now_ms - Date.parse(last_at)) / 1000;
  if (since_s < 0 || since_s > MAX_COOLED_S) return start;
  return { ...start, run: { ...start.run, cooled_s: Math.round(since_s / TENS) * TENS } };
}

/** A first run with the settings that trials have found; they outrank what was set the last time. */
export function withStarts(start: Start, starts: readonly Schemas["StartFigure"][]): Start {
  const found = Object.assign({}, ...starts.map((one) => one.run)) as Partial<Run>;
  if (Object.keys(found).length === 0) return start;
  return { run: { ...start.run, ...found }, words: t("attempt-with-trial-settings") };
}

/** What the form of a run opens with at a time (ms since 1970), and the card's own settings for that run. */
export function openedRun(
  attempt: Attempt,
  setup: Schemas["Setup"],
  last: Schemas["LastRuns"] | null,
  number: number,
  now_ms: number,
): { start: Start; card: Partial<Run> } {
  const runs = attempt.runs as unknown as (Run & { number: number })[];
  const planned = setup.planned_runs[number - 1];
  const card = (planned ?? setup.card_run) as Partial<Run>;
  const start = startOf(runs, number, last ?? { passed: false, runs: [] }, card, planned !== undefined);
  const isSaved = runs.some((run) => run.number === number);
  const begun = runs.length > 0 ? start : withStarts(start, setup.starts);
  return { start: cooled(begun, isSaved ? null : setup.last_run_at, now_ms), card };
}

/** Where a run is kept while it is typed: once for each way of writing its figures. */
export const draftPlace = (attempt: number, number: number, units: Units): string =>
  `log-${String(attempt)}-${String(number)}-${units.length}-${units.flow}`;

/** A run of another attempt to start from, without what was of that run only. */
export const settingsOf = (run: Run): Partial<Run> => ({ ...run, ...OWN });

/** A figure as it would be typed. */
export function figureOf(si: number, quantity: Quantity, units: Units): string {
  return trimmed(figure(si, quantity, units, 1));
}
