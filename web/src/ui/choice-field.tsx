import { Field } from "./field";

type Props = {
  label: string;
  value: string;
  options: readonly string[];
  words: (option: string) => string;
  empty?: string | undefined;
  tall?: boolean;
  onChange: (value: string) => void;
};

/** One of several, by its words; `empty` adds a first line that stands for none. */
export function ChoiceField({ label, value, options, words, empty, tall = false, onChange }: Props) {
  return (
    <Field label={label}>
      <select
        className={`select w-full ${tall ? "h-12 text-base" : "h-9 select-sm"} pr-7 pl-2`}
        value={value}
        onChange={(e) => onChange(e.target.value)}
      >
        {empty !== undefined && <option value="">{empty}</option>}
        {options.map((option) => (
          <option key={option} value={option}>
            {words(option)}
          </option>
        ))}
      </select>
    </Field>
  );
}
