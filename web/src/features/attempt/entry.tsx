import type { Schemas } from "../../api/client";
import { Stepper } from "../../ui/stepper";
import { figure, measure, shownAs, type Quantity, type Units } from "../../ui/units";
import { choiceWords, runWords } from "../../ui/words";
import { isFigure, type Field } from "./log-shape";

type Props = {
  field: Field;
  units: Units;
  value: string;
  error: string | undefined;
  off: Schemas["Deviation"] | undefined;
  onChange: (v: string) => void;
};

/** One field of the log; what lies off the card says at once how far and what it does to the bead. */
export function Entry({ field, units, value, error, off, onChange }: Props) {
  const id = `log-${field.key}`;
  const label = runWords[field.key] ?? field.key;
  const quantity = field.quantity as Quantity;
  if (isFigure(field)) {
    const shown = shownAs(quantity, units);
    const rough = (field.step ?? 1) * shown.perSi;
    return (
      <div className={off ? "rounded-field bg-warning/25 p-1" : "p-1"}>
        <Stepper
          id={id}
          label={label}
          unit={shown.label}
          value={value}
          step={rough >= 1 ? Math.round(rough) : Math.round(rough * 10) / 10 || 0.1}
          error={error}
          required={field.required}
          onChange={onChange}
        />
        {off && !error && (
          <p className="mt-1 text-sm">
            {measure(off.outside, quantity, units)} {off.used < off.low ? "under" : "over"}{" "}
            {figure(off.low, quantity, units)}–{figure(off.high, quantity, units)}: {off.effect}.
          </p>
        )}
      </div>
    );
  }
  if (field.quantity === "text") {
    return (
      <div className="col-span-2 p-1">
        <label htmlFor={id} className="mb-1 block text-sm font-medium">
          {label}
        </label>
        <textarea
          id={id}
          className="textarea w-full text-base"
          rows={2}
          maxLength={field.high ?? undefined}
          value={value}
          onChange={(e) => {
            onChange(e.target.value);
          }}
        />
      </div>
    );
  }
  return (
    <div className="p-1">
      <label htmlFor={id} className="mb-1 block text-sm font-medium">
        {label}
      </label>
      <select
        id={id}
        className="select h-12 w-full text-base"
        value={value}
        onChange={(e) => {
          onChange(e.target.value);
        }}
      >
        <option value="">not noted</option>
        {field.choices.map((c) => (
          <option key={c} value={c}>
            {choiceWords[c] ?? c}
          </option>
        ))}
      </select>
    </div>
  );
}
