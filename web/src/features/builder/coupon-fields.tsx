import type { Schemas } from "../../api/client";
import { ChoiceField } from "../../ui/choice-field";
import { UnitField } from "../../ui/unit-field";
import type { Units } from "../../ui/units";
import { choiceWords, finishWords, jointWords, positionWords } from "../../ui/words";
import { numbers, type Form } from "./coupon-shape";

const fieldWords: Record<string, string> = {
  thickness_mm: "Thickness",
  second_thickness_mm: "Other part's thickness",
  tube_od_mm: "Tube outside diameter",
  bore_length_mm: "Bore length",
  target_width_mm: "Bead width",
  leg_mm: "Fillet leg",
  filler_mm: "Filler",
  stickout_mm: "Stick-out",
  electrode_mm: "Electrode",
  travel_mm_s: "Travel",
  cup: "Cup number",
  pass: "Pass",
  torch: "Torch size",
  "pulse.peak_a": "Peak",
  "pulse.background_a": "Background",
  "pulse.on_share": "Share on, 0 to 1",
  "pulse.per_second": "Pulses a second",
};
const tubeJoints = ["tube_butt", "tube_sleeve", "tube_sleeve_bend", "tube_flange", "socket", "turntable"];
const plainWords = (option: string) => option.replaceAll("_", " ");

/** Every field of a coupon; what is left empty is what the card finds usual. */
export function CouponFields({
  choices,
  form,
  units,
  change,
}: {
  choices: Schemas["BuilderChoices"];
  form: Form;
  units: Units;
  change: (key: string, value: string) => void;
}) {
  const number = (key: string) => (
    <UnitField
      key={key}
      label={fieldWords[key] ?? key}
      quantity={numbers[key] ?? "plain"}
      units={units}
      value={form[key] ?? ""}
      placeholder="usual"
      onChange={(v) => {
        change(key, v);
      }}
    />
  );
  const choice = (key: string, label: string, words: (o: string) => string, empty?: string) => (
    <ChoiceField
      label={label}
      value={form[key] ?? ""}
      options={choices.choices[key] ?? []}
      words={words}
      {...(empty === undefined ? {} : { empty })}
      onChange={(v) => {
        change(key, v);
      }}
    />
  );
  const tube = tubeJoints.includes(form.joint ?? "");
  return (
    <div className="space-y-3">
      <div className="grid grid-cols-2 gap-2">
        {choice("joint", "Joint", (o) => jointWords[o] ?? o)}
        <ChoiceField
          label="Metal"
          value={form.metal ?? ""}
          options={choices.metals}
          words={(o) => o.replace("+", " to ")}
          onChange={(v) => {
            change("metal", v);
          }}
        />
        {number("thickness_mm")}
        <ChoiceField
          label="or gauge"
          value={form.gauge ?? ""}
          options={choices.gauges.map(String)}
          words={(o) => `${o} gauge`}
          empty="none"
          onChange={(v) => {
            change("gauge", v);
          }}
        />
        {form.gauge && (
          <div className="col-span-2">
            <ChoiceField
              label="Gauge of"
              value={form.gauge_table ?? ""}
              options={choices.gauge_tables}
              words={plainWords}
              empty="by metal and form"
              onChange={(v) => {
                change("gauge_table", v);
              }}
            />
          </div>
        )}
        {tube && (
          <>
            {number("tube_od_mm")}
            {number("bore_length_mm")}
          </>
        )}
        {choice("position", "Position", (o) => positionWords[o] ?? o)}
        {choice("technique", "Technique", (o) => choiceWords[o] ?? o)}
        {choice("finish", "Finish", (o) => (finishWords[o] ?? o).split(":")[0] ?? o)}
        {number("target_width_mm")}
      </div>
      <details>
        <summary className="cursor-pointer text-sm font-semibold">What is there to be used</summary>
        <div className="mt-2 grid grid-cols-2 gap-2">
          {[
            "cup",
            "stickout_mm",
            "electrode_mm",
            "filler_mm",
            "torch",
            "second_thickness_mm",
            "leg_mm",
            "pass",
            "travel_mm_s",
          ].map(number)}
          {choice("gas_part", "Behind the cup", (o) => choiceWords[o] ?? o, "usual")}
          <ChoiceField
            label="Purge"
            value={form.purge ?? ""}
            options={["yes", "no"]}
            words={(o) => o}
            empty="as the course does"
            onChange={(v) => {
              change("purge", v);
            }}
          />
        </div>
      </details>
      <details>
        <summary className="cursor-pointer text-sm font-semibold">Pulse</summary>
        <div className="mt-2 grid grid-cols-2 gap-2">
          {["pulse.peak_a", "pulse.background_a", "pulse.on_share", "pulse.per_second"].map(number)}
        </div>
      </details>
    </div>
  );
}
