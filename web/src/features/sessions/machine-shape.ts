/** A booth's machine as it is typed, before it is sent; pure. */

import { vocabulary } from "../../api/generated-vocabulary";
import type { Schemas } from "../../api/client";
import { isNumbered, type Field } from "../../domain/run-fields";

export type Profile = Schemas["MachineProfile"];
export type Typed = Record<string, string | boolean>;
export const machineFields: readonly Field[] = vocabulary.machineFields;

/** What the form shows of a machine. */
export const typedMachine = (profile: Profile): Typed =>
  Object.fromEntries(
    machineFields.map(({ key, sort }) => {
      const value = (profile as Record<string, unknown>)[key];
      return [
        key,
        sort === "flag" ? value === true : value === null || value === undefined ? "" : String(value),
      ];
    }),
  );

/** The machine in amps and hertz; what was left empty is not known.
 *  A text that is no figure is sent as it is: the server names it. */
export function machineOf(typed: Typed): Profile {
  const figure = (text: string) => {
    const value = Number(text.replace(",", "."));
    return Number.isNaN(value) ? text : value;
  };
  return Object.fromEntries(
    machineFields.map((field) => {
      const value = typed[field.key] ?? "";
      if (typeof value === "boolean") return [field.key, value];
      if (field.sort === "text") return [field.key, value];
      if (value.trim() === "") return [field.key, field.sort === "flag" ? false : null];
      return [field.key, field.sort === "figure" || isNumbered(field) ? figure(value) : value];
    }),
  ) as Profile;
}
