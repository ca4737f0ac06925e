/** What the codes of the API are called: from the core's tables (api/generated-vocabulary.ts), none typed here. */

import { locale, named, t } from "../catalogue";
import { vocabulary } from "../api/generated-vocabulary";
import type { Quantity } from "./units";

const choices: Record<string, readonly string[]> = vocabulary.choices;
const quantities = vocabulary.quantities as Record<string, QuantityInfo>;

export type QuantityInfo = {
  kind: Quantity;
  unit: string;
  low: number;
  high: number;
  step: number;
  whole: boolean;
};
export type FaultKind = keyof typeof vocabulary.faults;

/** A figure's unit and limits, by its key. */
export const quantityOf = (key: string): QuantityInfo | undefined => quantities[key];

/** What a figure or choice is called. */
export const fieldWords = (key: string): string => named("field", key);

/** The codes of a choice, the usual one first. */
export const optionsOf = (choice: string): string[] => [...(choices[choice] ?? [])];

/** What a chosen code is called. */
export const choiceWords = (choice: string, code: string): string => named(`option-${choice}`, code);

/** Why one would choose it, where it is a school. */
export const choiceWhy = (choice: string, code: string): string => named(`why-${choice}`, code);

/** Whether there is a reason to give: units and the like have none. */
export const hasWhy = (choice: string, code: string): boolean => choiceWhy(choice, code) !== code;

/** A finish goal with the colours it accepts. */
export const finishWords = (code: string): string =>
  `${choiceWords("finish", code)}: ${choiceWhy("finish", code)}`;

export const tintLevels: readonly { colour: string }[] = vocabulary.tint;
export const tintWords = (level: number): string =>
  t("tint-level", { level, name: named("tint", String(level)) });
export const faultKinds = Object.keys(vocabulary.faults) as FaultKind[];
export const faultWords = (kind: string): string => named("fault", kind);
export type State = (typeof vocabulary.states)[number];
/** How far an attempt is; a photo that was refused is not merely sent. */
export const standingWords = (state: State, refused: boolean): string =>
  refused && state === "photographed" ? t("common-photo-not-measured") : stateWords(state);

export const stateWords = (state: State): string => t(`state-${state}`);
export const criterionWords = (key: string): string => named("criterion", key);
/** What the measuring warns of in a photo; a warning of an older engine stays as it was worded. */
export function photoWarning(warning: string): string {
  const code = (vocabulary.photoWarnings as Record<string, string>)[warning];
  return code === undefined ? warning : named("photo-warning", code);
}
export const viewWords = (view: (typeof vocabulary.views)[number]): string => t(`view-${view}`);

export type CriterionInfo = {
  unit: string;
  byHand: boolean;
  curve: readonly (readonly number[])[];
  options: Record<string, number>;
};
/** Every criterion that a scheme may hold, by its key. */
export const criteria = vocabulary.criteria as unknown as Record<string, CriterionInfo>;
export const isTube = (joint: string): boolean =>
  (vocabulary.joints as Record<string, { tube: boolean }>)[joint]?.tube ?? false;

const dayFormat = new Intl.DateTimeFormat(locale, { day: "numeric", month: "short" });

export function dateWords(iso: string): string {
  return dayFormat.format(new Date(iso));
}

const monthFormat = new Intl.DateTimeFormat(locale, { month: "short", year: "numeric" });

/** A month, of its first day. */
export const monthWords = (iso: string): string => monthFormat.format(new Date(iso));

const clockFormat = new Intl.DateTimeFormat(locale, { hour: "numeric", minute: "2-digit" });

/** The time of day, of milliseconds since 1970. */
export const clockWords = (at_ms: number): string => clockFormat.format(at_ms);

const percentTo = (digits: number) => (value: number | null | undefined) =>
  value === null || value === undefined ? "–" : t("percent", { figure: (value * 100).toFixed(digits) });

/** A share or a chance, 0 to 1. */
export const wholePercent = percentTo(0);

/** How much a figure varies, as a share of it. */
export const percent = percentTo(1);
