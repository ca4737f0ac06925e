/** The fields of the log as the server's tables give them; pure. */

import { vocabulary } from "../api/generated-vocabulary";
import { optionsOf, quantityOf, type QuantityInfo } from "./words";

export type Sort = "figure" | "choice" | "text" | "flag" | "several";
export type Field = {
  key: string;
  sort: Sort;
  required: boolean;
  of?: string;
  most?: number;
};
export type Group = { key: string; fields: readonly Field[] };

export const groups: readonly Group[] = vocabulary.runGroups;
export const fields: readonly Field[] = groups.flatMap((group) => group.fields);
/** The group that is always open: what is set on the machine for every run. */
export const FIRST = "set";

/** The quantity of a figure, or of the figures of a list. */
export const quantityIn = (field: Field): QuantityInfo | undefined => quantityOf(field.of ?? field.key);

/** A choice whose codes are numbers is sent as a number. */
export const isNumbered = (field: Field) =>
  field.sort === "choice" && optionsOf(field.key).every((code) => /^\d+$/.test(code));
