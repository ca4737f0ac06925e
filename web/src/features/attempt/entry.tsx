import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";
import { ChoiceField } from "../../ui/choice-field";
import { AreaField, TextField } from "../../ui/field";
import { Stepper } from "../../ui/stepper";
import { TermMark } from "../../domain/help";
import { figure, measure, shownAs, stepped, type Units } from "../../domain/units";
import { choiceWords, fieldWords, optionsOf } from "../../domain/words";
import { quantityIn, type Field } from "../../domain/run-fields";
import { YES } from "./log-shape";

type Props = {
  field: Field;
  units: Units;
  value: string;
  error: string | undefined;
  off: Schemas["Deviation"] | undefined;
  onChange: (typed: string) => void;
};

/** One field of the log, by its sort. */
export function Entry(props: Props) {
  const { field, units, value, error, onChange } = props;
  switch (field.sort) {
    case "figure":
      return <FigureEntry {...props} />;
    case "choice":
      return (
        <div className={hasLongWords(field) ? "col-span-2 p-1 sm:col-span-1" : "p-1"}>
          <ChoiceField
            label={fieldWords(field.key)}
            value={value}
            options={optionsOf(field.key)}
            words={(code) => choiceWords(field.key, code)}
            empty={t("common-not-recorded")}
            tall
            onChange={onChange}
          />
        </div>
      );
    case "flag":
      return (
        <label className="flex min-h-12 items-center gap-3 p-1">
          <input
            type="checkbox"
            className="checkbox checkbox-lg"
            checked={value === YES}
            onChange={(e) => onChange(e.target.checked ? YES : "")}
          />{" "}
          {fieldWords(field.key)}
        </label>
      );
    case "several":
      return (
        <div className="p-1">
          <TextField
            label={
              <>
                {fieldWords(field.key)}{" "}
                <span className="quiet">
                  {t("attempt-one-after-another", { label: shownAs("length", units).label })}
                </span>
              </>
            }
            className={`h-12 text-base ${error ? "input-error" : ""}`}
            inputMode="text"
            autoComplete="off"
            value={value}
            aria-invalid={error ? true : undefined}
            onChange={onChange}
          />
          {error && <p className="mt-1 text-sm text-error">{error}</p>}
        </div>
      );
    case "text":
      return (
        <div className="col-span-2 p-1">
          <AreaField
            label={fieldWords(field.key)}
            rows={2}
            maxLength={field.most}
            value={value}
            onChange={onChange}
          />
        </div>
      );
  }
}

/** Options that half a phone would cut off. */
const LONG = 14;
const hasLongWords = (field: Field) =>
  optionsOf(field.key).some((code) => choiceWords(field.key, code).length > LONG);

/** A figure with its stepper; what lies off the card says at once how far and what it does to the bead. */
function FigureEntry({ field, units, value, error, off, onChange }: Props) {
  const info = quantityIn(field);
  if (!info) return null;
  const shown = shownAs(info.kind, units);
  return (
    <div className={off ? "rounded-field bg-warning/25 p-1" : "p-1"}>
      <Stepper
        id={`log-${field.key}`}
        label={fieldWords(field.key)}
        aside={<TermMark field={field.key} words={fieldWords(field.key)} />}
        unit={shown.label}
        value={value}
        next={(typed, by) => stepped(typed, by, info.kind, units, info.step)}
        error={error}
        required={field.required}
        onChange={onChange}
      />
      {off && !error && (
        <p className="mt-1 text-sm">
          {measure(off.outside, info.kind, units)} {off.used < off.low ? t("common-under") : t("common-over")}{" "}
          {figure(off.low, info.kind, units)}–{figure(off.high, info.kind, units)}: {off.effect}.
        </p>
      )}
    </div>
  );
}
