import type { ComponentProps, ReactNode } from "react";

/** A label over whatever is filled in. */
export function Field({ label, children }: { label: ReactNode; children: ReactNode }) {
  return (
    <label className="block">
      <span className="mb-1 block text-sm font-medium">{label}</span>
      {children}
    </label>
  );
}

type TextProps = Omit<ComponentProps<"input">, "onChange"> & {
  label: ReactNode;
  onChange: (typed: string) => void;
};

export function TextField({ label, onChange, className = "", ...rest }: TextProps) {
  return (
    <Field label={label}>
      <input className={`input w-full ${className}`} onChange={(e) => onChange(e.target.value)} {...rest} />
    </Field>
  );
}

type AreaProps = Omit<ComponentProps<"textarea">, "onChange"> & {
  label: ReactNode;
  /** As low as its rows. */
  tight?: boolean;
  onChange: (typed: string) => void;
};

export function AreaField({ label, onChange, tight = false, ...rest }: AreaProps) {
  return (
    <Field label={label}>
      <textarea
        className={`textarea w-full ${tight ? "min-h-0 py-1 leading-snug" : ""}`}
        onChange={(e) => onChange(e.target.value)}
        {...rest}
      />
    </Field>
  );
}

/** A switch with its words behind it. */
export function Toggle({
  checked,
  onChange,
  children,
}: {
  checked: boolean;
  onChange: (on: boolean) => void;
  children: ReactNode;
}) {
  return (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="toggle toggle-sm"
        checked={checked}
        onChange={(e) => onChange(e.target.checked)}
      />{" "}
      {children}
    </label>
  );
}
