/** What the codes of the API are called: from the core's tables (api/generated-vocabulary.ts), none typed here. */

import { vocabulary } from "../api/generated-vocabulary";
import type { Quantity } from "./units";

type Options = Record<string, string>;
type Choice = { words: string; options: Options; why: Options };

const choices = vocabulary.choices as Record<string, Choice>;
const quantities = vocabulary.quantities as Record<string, QuantityInfo>;

export type QuantityInfo = {
  words: string;
  kind: Quantity;
  unit: string;
  low: number;
  high: number;
  step: number;
  whole: boolean;
};
export type FaultKind = keyof typeof vocabulary.faults;

/** A figure's unit, limits and name, by its key. */
export const quantityOf = (key: string): QuantityInfo | undefined => quantities[key];

/** What a figure or choice is called. */
export const fieldWords = (key: string): string => quantities[key]?.words ?? choices[key]?.words ?? key;

/** The codes of a choice, the usual one first. */
export const optionsOf = (choice: string): string[] => Object.keys(choices[choice]?.options ?? {});

/** What a chosen code is called. */
export const choiceWords = (choice: string, code: string): string => choices[choice]?.options[code] ?? code;

/** Why one would choose it, where it is a school. */
export const choiceWhy = (choice: string, code: string): string => choices[choice]?.why[code] ?? "";

/** A finish goal with the colours it accepts. */
export const finishWords = (code: string): string =>
  `${choiceWords("finish", code)}: ${choiceWhy("finish", code)}`;

export const tintLevels: readonly { name: string; colour: string }[] = vocabulary.tint;
export const tintWords = (level: number): string => `${String(level)} ${tintLevels[level]?.name ?? ""}`;
export const faultKinds = Object.keys(vocabulary.faults) as FaultKind[];
export const faultWords = (kind: string): string =>
  (vocabulary.faults as Record<string, { words: string }>)[kind]?.words ?? kind;
export const stateWords = (state: keyof typeof vocabulary.states): string => vocabulary.states[state];
/** What the measuring warns of in a photo; a warning of an older engine stays as it was worded. */
export const photoWarning = (warning: string): string =>
  (vocabulary.photoWarnings as Options)[warning] ?? warning;
export const viewWords = vocabulary.views;

export type CriterionInfo = {
  words: string;
  figure: string;
  unit: string;
  byHand: boolean;
  curve: readonly (readonly number[])[];
  options: Record<string, number>;
};
/** Every criterion that a scheme may hold, by its key. */
export const criteria = vocabulary.criteria as unknown as Record<string, CriterionInfo>;
export const isTube = (joint: string): boolean =>
  (vocabulary.joints as Record<string, { tube: boolean }>)[joint]?.tube ?? false;

export function dateWords(iso: string): string {
  return new Date(iso).toLocaleDateString("en-GB", { day: "numeric", month: "short" });
}

export function percent(value: number | null | undefined): string {
  return value === null || value === undefined ? "–" : `${(value * 100).toFixed(1)} %`;
}
