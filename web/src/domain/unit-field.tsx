import { shownAs, type Quantity, type Units } from "./units";

type Props = {
  label: string;
  quantity: Quantity;
  units: Units;
  value: string;
  placeholder?: string;
  error?: string | undefined;
  onChange: (typed: string) => void;
};

/** A figure typed in the person's unit. */
export function UnitField({ label, quantity, units, value, placeholder, error, onChange }: Props) {
  const unit = shownAs(quantity, units).label;
  return (
    <label className="block text-sm">
      <span className="mb-0.5 block font-medium">
        {label} {unit && <span className="quiet">({unit})</span>}
      </span>
      <input
        className={`input h-9 w-full input-sm ${error ? "input-error" : ""}`}
        inputMode="decimal"
        autoComplete="off"
        value={value}
        placeholder={placeholder}
        aria-invalid={error ? true : undefined}
        onChange={(e) => onChange(e.target.value)}
      />
      {error && <span className="text-error">{error}</span>}
    </label>
  );
}
