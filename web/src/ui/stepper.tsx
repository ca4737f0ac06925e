import { t } from "../catalogue";
import { Minus, Plus } from "lucide-react";
import type { ReactNode } from "react";

type Props = {
  id: string;
  label: string;
  unit: string;
  value: string;
  /** What stands there one tap further; `by` is 1 or -1. */
  next: (typed: string, by: number) => string;
  error?: string | undefined;
  required?: boolean;
  /** What stands behind the label, such as where to read about it. */
  aside?: ReactNode;
  onChange: (typed: string) => void;
};

/** Characters of a figure that fit between the buttons on a phone in large type. */
const ROOMY = 4;

/** A figure with big minus and plus for a gloved hand. */
export function Stepper({ id, label, unit, value, next, error, required, aside, onChange }: Props) {
  return (
    <div>
      <div className="mb-1 flex min-h-6 items-center">
        <label htmlFor={id} className="text-sm font-medium">
          {label} {unit && <span className="quiet">({unit})</span>}
          {required && <span className="quiet"> {t("ui-needed")}</span>}
        </label>
        {aside}
      </div>
      <div className="join w-full">
        <button
          type="button"
          className="btn join-item h-12 w-11 px-0 sm:w-12"
          aria-label={t("ui-less", { label })}
          onClick={() => onChange(next(value, -1))}
        >
          <Minus size={20} />
        </button>
        <input
          id={id}
          className={[
            "input join-item h-12 w-full min-w-0 px-1 text-center sm:px-3",
            value.length > ROOMY ? "text-base sm:text-lg" : "text-lg",
            error ? "input-error" : "",
          ].join(" ")}
          inputMode="decimal"
          autoComplete="off"
          value={value}
          aria-invalid={error ? true : undefined}
          aria-describedby={error ? `${id}-error` : undefined}
          onChange={(e) => onChange(e.target.value)}
        />
        <button
          type="button"
          className="btn join-item h-12 w-11 px-0 sm:w-12"
          aria-label={t("ui-more", { label })}
          onClick={() => onChange(next(value, 1))}
        >
          <Plus size={20} />
        </button>
      </div>
      {error && (
        <p id={`${id}-error`} className="mt-1 text-sm text-error">
          {error}
        </p>
      )}
    </div>
  );
}
