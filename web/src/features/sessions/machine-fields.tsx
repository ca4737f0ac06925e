import { t } from "../../catalogue";
import { UnitField } from "../../domain/unit-field";
import { useUnits } from "../../domain/use-units";
import { choiceWords, fieldWords, optionsOf, quantityOf } from "../../domain/words";
import { ChoiceField } from "../../ui/choice-field";
import { TextField, Toggle } from "../../ui/field";
import { machineFields, type Typed } from "./machine-shape";

const MAX_KNOBS = 200;

/** What a booth's machine can and lacks; the setup card at this booth follows it. */
export function MachineFields({ typed, change }: { typed: Typed; change: (typed: Typed) => void }) {
  const units = useUnits();
  return (
    <details>
      <summary className="cursor-pointer font-medium">{t("sessions-machine")}</summary>
      <p className="quiet my-1 text-sm">{t("sessions-machine-why")}</p>
      <div className="grid grid-cols-2 gap-2 text-sm">
        {machineFields.map(({ key, sort }) => {
          const value = typed[key] ?? "";
          if (sort === "flag")
            return (
              <Toggle key={key} checked={value === true} onChange={(on) => change({ ...typed, [key]: on })}>
                {fieldWords(key)}
              </Toggle>
            );
          const text = String(value);
          if (sort === "text")
            return (
              <div key={key} className="col-span-2">
                <TextField
                  label={fieldWords(key)}
                  value={text}
                  maxLength={MAX_KNOBS}
                  placeholder={key === "knobs" ? t("sessions-knobs-for-example") : ""}
                  onChange={(v) => change({ ...typed, [key]: v })}
                />
              </div>
            );
          if (sort === "choice")
            return (
              <ChoiceField
                key={key}
                label={fieldWords(key)}
                value={text}
                options={optionsOf(key)}
                words={(code) => choiceWords(key, code)}
                empty={t("sessions-not-known")}
                onChange={(code) => change({ ...typed, [key]: code })}
              />
            );
          return (
            <UnitField
              key={key}
              label={fieldWords(key)}
              quantity={quantityOf(key)?.kind ?? "plain"}
              units={units}
              value={text}
              onChange={(v) => change({ ...typed, [key]: v })}
            />
          );
        })}
      </div>
    </details>
  );
}
