import { named, t } from "../../catalogue";
import type { Schemas } from "../../api/client";
import { trimmed, type Units } from "../../domain/units";
import { Entry } from "./entry";
import { FIRST, type Group } from "../../domain/run-fields";
import type { Typed } from "./log-shape";
import { Stopwatch } from "./stopwatch";

type Props = {
  group: Group;
  units: Units;
  typed: Typed;
  problems: Record<string, string>;
  deviations: Schemas["Deviation"][];
  set: (key: string, value: string) => void;
};

/** A group of the log; all but the first are folded until somebody wants them, or something in them is wrong. */
export function RunGroup({ group, units, typed, problems, deviations, set }: Props) {
  const filled = group.fields.filter((f) => (typed[f.key] ?? "") !== "").length;
  const wrong = group.fields.some((f) => problems[f.key]);
  const off = group.fields.some((f) => deviations.some((d) => d.key === f.key));
  const entries = (
    <div className="grid grid-cols-2 items-start gap-x-2 gap-y-3 sm:gap-x-4">
      {group.fields.some((f) => f.key === "arc_s") && (
        <div className="col-span-2 p-1">
          <Stopwatch stopped={(seconds) => set("arc_s", trimmed(seconds.toFixed(1)))} />
        </div>
      )}
      {group.fields.map((field) => (
        <Entry
          key={field.key}
          field={field}
          units={units}
          value={typed[field.key] ?? ""}
          error={problems[field.key]}
          off={deviations.find((d) => d.key === field.key)}
          onChange={(value) => set(field.key, value)}
        />
      ))}
    </div>
  );
  if (group.key === FIRST)
    return (
      <fieldset className="mb-3 border-t border-base-300 pt-1">
        <legend className="pr-2 font-semibold">{named("run-group", group.key)}</legend>
        {entries}
      </fieldset>
    );
  return (
    <details className="mb-1 border-t border-base-300" {...(wrong || off ? { open: true } : {})}>
      <summary className="flex min-h-12 cursor-pointer items-center gap-2 font-semibold">
        {named("run-group", group.key)}
        <span className="quiet text-sm font-normal">
          {filled === 0 ? t("attempt-nothing-recorded") : t("attempt-recorded", { filled })}
        </span>
      </summary>
      <fieldset className="pb-2">
        <legend className="sr-only">{named("run-group", group.key)}</legend>
        {entries}
      </fieldset>
    </details>
  );
}
