import { t } from "../../catalogue";
import { vocabulary } from "../../api/generated-vocabulary";
import { ChoiceField } from "../../ui/choice-field";
import { UnitField } from "../../domain/unit-field";
import type { Units } from "../../domain/units";
import { choiceWords, fieldWords, isTube, optionsOf } from "../../domain/words";
import { kindOf, PULSE, type Form } from "./coupon-shape";

const THERE = [
  "cup",
  "cup_flow_l_min",
  "stickout_mm",
  "electrode_mm",
  "filler_mm",
  "second_thickness_mm",
  "leg_mm",
  "pass",
  "dabs_per_run",
  "travel_mm_s",
];
const PURGE = { yes: t("builder-purged"), no: t("builder-not-purged") };

type Props = { form: Form; units: Units; change: (key: string, value: string) => void };

/** Every field of a coupon; what is left empty is what the card finds usual. */
export function CouponFields({ form, units, change }: Props) {
  const number = (key: string) => (
    <UnitField
      key={key}
      label={fieldWords(key)}
      quantity={kindOf(key)}
      units={units}
      value={form[key] ?? ""}
      placeholder={t("builder-usual")}
      onChange={(v) => change(key, v)}
    />
  );
  const choice = (key: string, empty?: string) => (
    <ChoiceField
      label={fieldWords(key)}
      value={form[key] ?? ""}
      options={optionsOf(key)}
      words={(code) => choiceWords(key, code)}
      empty={empty}
      onChange={(v) => change(key, v)}
    />
  );
  return (
    <div className="space-y-3">
      <div className="grid grid-cols-2 gap-2">
        {choice("joint")}
        {choice("metal")}
        {number("thickness_mm")}
        <ChoiceField
          label={t("builder-or-gauge")}
          value={form.gauge ?? ""}
          options={vocabulary.gauges.map(String)}
          words={(g) => t("builder-gauge", { g })}
          empty={t("common-none")}
          onChange={(v) => change("gauge", v)}
        />
        {form.gauge && (
          <div className="col-span-2">{choice("gauge_table", t("builder-by-metal-and-form"))}</div>
        )}
        {isTube(form.joint ?? "") && ["tube_od_mm", "bore_length_mm"].map(number)}
        {choice("position")}
        {choice("technique")}
        {choice("finish")}
        {number("target_width_mm")}
        {number("passes")}
        {number("seams_planned")}
        {Number(form.passes) > 2 && choice("layers")}
      </div>
      <details>
        <summary className="cursor-pointer text-sm font-semibold">{t("builder-equipment-on-hand")}</summary>
        <div className="mt-2 grid grid-cols-2 gap-2">
          {THERE.map(number)}
          {choice("torch", "usual")}
          {choice("gas_part", "usual")}
          <ChoiceField
            label={t("common-purge")}
            value={form.purge ?? ""}
            options={Object.keys(PURGE)}
            words={(o) => o}
            empty={t("builder-course-default")}
            onChange={(v) => change("purge", v)}
          />
        </div>
      </details>
      <details>
        <summary className="cursor-pointer text-sm font-semibold">{t("builder-pulse")}</summary>
        <div className="mt-2 grid grid-cols-2 gap-2">{PULSE.map(number)}</div>
      </details>
    </div>
  );
}
