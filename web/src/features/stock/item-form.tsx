import { t } from "../../catalogue";
import { useState } from "react";
import { ChoiceField } from "../../ui/choice-field";
import { TextField } from "../../ui/field";
import { Problem } from "../../ui/states";
import type { Change, Item, Kind, Store } from "./queries";

type Props = { store: Store; change: Change; item: Item | null; done: () => void };
type Spec = Kind["specs"][number];

/** One item: its kind and the fields that belong to it, as the server names them. */
export function ItemForm({ store, change, item, done }: Props) {
  const [kind, setKind] = useState(item?.kind ?? store.kinds[0]?.key ?? "");
  const start = Object.entries((item?.given ?? {}) as Record<string, unknown>);
  const [typed, setTyped] = useState<Record<string, string>>(
    Object.fromEntries(start.map(([key, value]) => [key, value === null ? "" : String(value)])),
  );
  const specs = store.kinds.find((one) => one.key === kind)?.specs ?? [];
  const value = (spec: Spec) => typed[spec.key] ?? "";
  const given = (spec: Spec) =>
    spec.unit === null ? value(spec) : value(spec) === "" ? null : Number(value(spec).replace(",", "."));
  return (
    <form
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        const body = Object.fromEntries(specs.map((spec) => [spec.key, given(spec)]));
        change.keep.mutate({ item: item?.id ?? null, kind, given: body }, { onSuccess: done });
      }}
    >
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-3 lg:grid-cols-4">
        {item === null && (
          <ChoiceField
            label={t("common-kind")}
            value={kind}
            options={store.kinds.map((one) => one.key)}
            words={(key) => store.kinds.find((one) => one.key === key)?.words ?? key}
            onChange={setKind}
          />
        )}
        {specs.map((spec) => (
          <SpecField
            key={spec.key}
            spec={spec}
            value={value(spec)}
            set={(next) => setTyped({ ...typed, [spec.key]: next })}
          />
        ))}
      </div>
      <Problem error={change.keep.error} />
      <button className="btn btn-primary btn-sm" disabled={change.keep.isPending}>
        {t("stock-save-item")}
      </button>
    </form>
  );
}

function SpecField({ spec, value, set }: { spec: Spec; value: string; set: (next: string) => void }) {
  const label = `${spec.words}${spec.unit ? `, ${spec.unit}` : ""}`;
  if (spec.options)
    return (
      <ChoiceField
        label={label}
        value={value}
        empty={spec.needed ? t("stock-choose") : t("common-none")}
        options={Object.keys(spec.options)}
        words={(code) => spec.options?.[code] ?? code}
        onChange={set}
      />
    );
  return (
    <TextField
      label={label}
      value={value}
      inputMode={spec.unit === null ? "text" : "decimal"}
      required={spec.needed}
      onChange={set}
    />
  );
}
