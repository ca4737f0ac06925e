import type { ComponentProps, ElementType, ReactNode } from "react";

type Props<T extends ElementType> = {
  as?: T;
  tone?: "plain" | "primary" | "secondary";
  tight?: boolean;
  className?: string;
  children: ReactNode;
} & Omit<ComponentProps<T>, "as" | "className" | "children">;

const tones = { plain: "border-base-300", primary: "border-primary", secondary: "border-secondary" };

/** A sheet of paper on the bench: what belongs together. */
export function Panel<T extends ElementType = "section">({
  as,
  tone = "plain",
  tight = false,
  className = "",
  children,
  ...rest
}: Props<T>) {
  const Tag: ElementType = as ?? "section";
  return (
    <Tag
      className={`min-w-0 rounded-box border bg-base-100 ${tones[tone]} ${tight ? "p-3" : "p-4"} ${className}`}
      {...rest}
    >
      {children}
    </Tag>
  );
}

/** A group of buttons of which one is pressed. */
export function Picker<T extends string>({
  label,
  options,
  words,
  value,
  size = "btn-sm",
  choose,
}: {
  label: string;
  options: readonly T[];
  words: (option: T) => string;
  value: T;
  size?: "btn-xs" | "btn-sm" | "";
  choose: (option: T) => void;
}) {
  return (
    <div role="group" aria-label={label} className="join">
      {options.map((option) => (
        <button
          key={option}
          type="button"
          className={`btn join-item ${size} ${option === value ? "btn-primary" : ""}`}
          aria-pressed={option === value}
          onClick={() => choose(option)}
        >
          {words(option)}
        </button>
      ))}
    </div>
  );
}

/** A warning as loud as it is serious. */
export function WarningNote({ severity, children }: { severity: string; children: ReactNode }) {
  const look =
    severity === "stop"
      ? "border-2 border-error font-semibold text-error"
      : "bg-warning text-warning-content";
  return (
    <p role="note" className={`mt-2 rounded-box p-2 ${look}`}>
      {children}
    </p>
  );
}
