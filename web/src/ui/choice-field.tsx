type Props = {
  label: string;
  value: string;
  options: readonly string[];
  words: (option: string) => string;
  empty?: string;
  onChange: (value: string) => void;
};

/** One of several, by its words; `empty` adds a first line that stands for none. */
export function ChoiceField({ label, value, options, words, empty, onChange }: Props) {
  return (
    <label className="block text-sm">
      <span className="mb-0.5 block font-medium">{label}</span>
      <select
        className="select h-9 w-full select-sm"
        value={value}
        onChange={(e) => {
          onChange(e.target.value);
        }}
      >
        {empty !== undefined && <option value="">{empty}</option>}
        {options.map((option) => (
          <option key={option} value={option}>
            {words(option)}
          </option>
        ))}
      </select>
    </label>
  );
}
