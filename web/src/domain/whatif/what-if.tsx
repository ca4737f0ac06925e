import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap, type Schemas } from "../../api/client";
import { t } from "../../catalogue";
import { Problem } from "../../ui/states";
import { useSettled } from "../../ui/use-settled";
import { attemptKeys } from "../keys";
import { TintBadge } from "../tint";
import { figure, measure, shownAs, type Units } from "../units";
import type { Attempt } from "../use-attempt";
import { useUnits } from "../use-units";
import { fieldWords, wholePercent, quantityOf } from "../words";
import { ForetoldStrip } from "./foretold-strip";
import { SettingsMap } from "./settings-map";

const KEYS = ["current_a", "travel_mm_s", "postflow_s"] as const;
type Key = (typeof KEYS)[number];
export type Changed = Partial<Record<Key, number>>;
const FINGERS_REST_MS = 60;
/** Of a setting, to either side of where it stood. */
const REACH = 0.4;

/**
 * What would come of it: sliders beside the settings that were logged, and the bead that would
 * come, drawn to scale.
 */
export function WhatIf({ attempt }: { attempt: Attempt }) {
  const [open, setOpen] = useState(false);
  return (
    <details
      className="rounded-box border border-base-300 bg-base-100 p-3"
      onToggle={(e) => setOpen(e.currentTarget.open)}
    >
      <summary className="cursor-pointer text-lg font-bold">{t("whatif-title")}</summary>
      {open && <Sliders attempt={attempt} />}
    </details>
  );
}

function Sliders({ attempt }: { attempt: Attempt }) {
  const units = useUnits();
  const [changed, change] = useState<Changed>({});
  const start = useForetold(attempt, {});
  const found = useForetold(attempt, changed);
  if (found.error) return <Problem error={found.error} again={() => void found.refetch()} />;
  if (!start.data || !found.data) return <p className="loading loading-dots" aria-label={t("ui-loading")} />;
  const settings = start.data.settings as Partial<Record<Key, number>>;
  return (
    <div className="mt-3 space-y-4">
      {found.data.said.map((line) => (
        <p key={line} className="text-sm">
          {line}
        </p>
      ))}
      <div className="grid gap-4 sm:grid-cols-3">
        {KEYS.map((key) => (
          <Slider
            key={key}
            of={key}
            start={settings[key] ?? 0}
            value={changed[key] ?? settings[key] ?? 0}
            units={units}
            set={(value) => change({ ...changed, [key]: value })}
          />
        ))}
      </div>
      <ForetoldStrip
        bead={found.data.bead}
        length={attempt.measurement?.length_mm ?? attempt.assignment.design.length_mm ?? 0}
      />
      <Figures found={found.data} units={units} />
      <ThisBead found={start.data} units={units} />
      <SettingsMap attempt={attempt} units={units} at={{ ...settings, ...changed }} choose={change} />
    </div>
  );
}

function useForetold(attempt: Attempt, changed: Changed) {
  const rested = useSettled(JSON.stringify(changed), FINGERS_REST_MS);
  return useQuery({
    queryKey: attemptKeys.foretold(attempt.id, attempt.version, rested),
    queryFn: () =>
      unwrap(
        api.POST("/api/attempts/{attempt_id}/foretell", {
          params: { path: { attempt_id: attempt.id } },
          body: JSON.parse(rested) as Schemas["ForetellRequest"],
        }),
      ),
    placeholderData: (before) => before,
    staleTime: Infinity,
  });
}

type SliderProps = { of: Key; start: number; value: number; units: Units; set: (value: number) => void };

function Slider({ of, start, value, units, set }: SliderProps) {
  const quantity = quantityOf(of);
  if (!quantity || start <= 0) return null;
  const step = quantity.step >= 1 ? quantity.step / 2 : quantity.step / 4;
  return (
    <label className="block">
      <span className="flex items-baseline justify-between">
        <span className="text-sm">{fieldWords(of)}</span>
        <span className="text-lg font-bold tabular-nums">
          {figure(value, quantity.kind, units, 1)} {shownAs(quantity.kind, units).label}
        </span>
      </span>
      <input
        type="range"
        className="range w-full range-primary"
        min={start * (1 - REACH)}
        max={start * (1 + REACH)}
        step={step}
        value={value}
        onChange={(e) => set(Number(e.target.value))}
      />
    </label>
  );
}

function Figures({ found, units }: { found: Schemas["Foretold"]; units: Units }) {
  const { bead } = found;
  const mm = (value: number) => measure(value, "length", units, 1);
  const spread = (one: Schemas["ForetoldFigure"]) =>
    t("whatif-spread", { value: mm(one.value), low: mm(one.low), high: mm(one.high) });
  const first = bead.hazards[0];
  return (
    <dl className="flex flex-wrap gap-x-8 gap-y-2" aria-live="polite">
      <Figure words={t("common-width")}>{spread(bead.width_mm)}</Figure>
      {bead.difference_mm && (
        <Figure words={t("whatif-beside-last")}>
          {bead.difference_mm.value > 0 ? "+" : ""}
          {measure(bead.difference_mm.value, "length", units, 2)}
        </Figure>
      )}
      <Figure words={t("whatif-wanted")}>
        {t("whatif-between", { low: mm(found.wanted_low_mm), high: mm(found.wanted_high_mm) })}
      </Figure>
      {bead.tint_bead && (
        <Figure words={t("whatif-tint")}>
          <TintBadge level={bead.tint_bead.level} />
        </Figure>
      )}
      {bead.tint_zone && bead.zone_mm && (
        <Figure words={t("whatif-zone")}>
          <TintBadge level={bead.tint_zone.level} /> {mm(bead.zone_mm.value)}
        </Figure>
      )}
      {bead.grey_end_mm && bead.grey_end_mm.value > 0 && (
        <Figure words={t("whatif-grey-end")}>{mm(bead.grey_end_mm.value)}</Figure>
      )}
      {first && (
        <Figure words={t("whatif-first")}>
          {first.words} {wholePercent(first.probability)}
        </Figure>
      )}
    </dl>
  );
}

/** What was foretold of the bead that came, beside what was measured of it. */
function ThisBead({ found, units }: { found: Schemas["Foretold"]; units: Units }) {
  if (found.beside.length === 0) return null;
  const mm = (value: number) => measure(value, "length", units, 1);
  return (
    <section className="space-y-1">
      <h3 className="font-bold">{t("whatif-this-bead")}</h3>
      <p className="quiet text-sm">{t("whatif-this-bead-how")}</p>
      <table className="table w-auto table-sm tabular-nums">
        <thead>
          <tr>
            <td />
            <th scope="col">{t("whatif-foretold")}</th>
            <th scope="col">{t("whatif-measured")}</th>
          </tr>
        </thead>
        <tbody>
          {found.beside.map((one) => (
            <tr key={one.words}>
              <th scope="row">{one.words}</th>
              <td>
                {t("whatif-spread", {
                  value: mm(one.foretold.value),
                  low: mm(one.foretold.low),
                  high: mm(one.foretold.high),
                })}
              </td>
              <td>
                <b>{mm(one.measured)}</b> {one.inside ? t("whatif-inside") : t("whatif-outside")}
              </td>
            </tr>
          ))}
          {found.tints_beside.map((one) => (
            <tr key={one.words}>
              <th scope="row">{one.words}</th>
              <td>
                <TintBadge level={one.foretold} />
              </td>
              <td>
                <TintBadge level={one.measured} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Figure({ words, children }: { words: string; children: React.ReactNode }) {
  return (
    <div>
      <dt className="quiet text-sm">{words}</dt>
      <dd className="font-semibold">{children}</dd>
    </div>
  );
}
