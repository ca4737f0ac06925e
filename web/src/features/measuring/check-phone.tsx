import { t } from "../../catalogue";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { measure, type Units } from "../../domain/units";
import { useUnits } from "../../domain/use-units";
import { dateWords, percent } from "../../domain/words";
import { TextField } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { usePhoneChecks } from "./queries";
import { TakePhoto } from "./take-photo";

/** A photo of the printed target by one's own phone, and what it says. */
export function CheckPhone() {
  const { read, check } = usePhoneChecks();
  const units = useUnits();
  const checks = read.data?.checks ?? [];
  const [typed, type] = useState<string | null>(null);
  const phone = typed ?? checks[0]?.phone ?? "";
  const closed = check.isPending || phone.trim() === "";
  return (
    <Panel className="space-y-3" aria-label={t("measuring-phone")}>
      <h2 className="text-lg font-bold">{t("measuring-phone")}</h2>
      <p>{t("measuring-how")}</p>
      <p className="flex flex-wrap gap-x-4">
        <a className="link" href="/api/scale-card/target" target="_blank" rel="noreferrer">
          {t("measuring-target-a4")}
        </a>
        <a className="link" href="/api/scale-card/target?paper=letter" target="_blank" rel="noreferrer">
          {t("measuring-target-letter")}
        </a>
      </p>
      <div className="flex flex-wrap items-end gap-2">
        <div className="w-64">
          <TextField label={t("measuring-phone-name")} value={phone} onChange={type} />
        </div>
        <TakePhoto
          words={check.isPending ? t("measuring-busy") : t("measuring-take")}
          closed={closed}
          className="h-12 btn-primary"
        >
          {(photo) => check.mutate({ phone, photo })}
        </TakePhoto>
      </div>
      <Problem error={check.error ?? read.error} />
      <div aria-live="polite" className="space-y-3">
        {checks.map((one) => (
          <Check key={one.id} check={one} units={units} />
        ))}
      </div>
    </Panel>
  );
}

function Check({ check, units }: { check: Schemas["PhoneCheck"]; units: Units }) {
  const f = check.figures;
  const mm = (value: number | null) => measure(value, "length", units, 2);
  const figures: [string, string][] = [
    [t("measuring-bias-short"), mm(f.bias_mm)],
    [t("measuring-scatter"), mm(f.scatter_mm)],
    [t("measuring-lens"), mm(f.lens_mm)],
    [t("measuring-pitch"), percent(f.pitch_share)],
    [t("measuring-spot"), mm(f.smallest_spot_mm)],
    [t("measuring-tilt"), f.tilt_deg === null ? "–" : `${f.tilt_deg.toFixed(0)}°`],
    [t("measuring-blur"), mm(f.blur_mm)],
    [t("measuring-uneven"), f.uneven === null ? "–" : f.uneven.toFixed(1)],
    [t("measuring-warm"), f.warm === null ? "–" : f.warm.toFixed(1)],
  ];
  return (
    <section
      className={`rounded-box border-2 p-3 ${f.say[0] === "fine" ? "border-success" : "border-warning"}`}
      aria-label={check.phone}
    >
      <h3 className="font-bold">
        {t("measuring-of", { phone: check.phone, date: dateWords(check.at) })}
        {check.again && <span className="ml-2 font-normal">{t("measuring-again")}</span>}
      </h3>
      {check.words.map((line) => (
        <p key={line} className="text-lg">
          {line}
        </p>
      ))}
      <dl className="mt-2 flex flex-wrap gap-x-6 gap-y-1 text-sm">
        {figures.map(([words, value]) => (
          <div key={words}>
            <dt className="quiet">{words}</dt>
            <dd className="font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
