import { Say, t } from "../catalogue";
import type { Schemas } from "../api/client";
import { figure, measure, type Units } from "./units";
import { fieldWords, quantityOf } from "./words";

/** What of the logged run lies off the card: how far, and what it usually does to the bead. */
export function OffCard({ check, units }: { check: Schemas["SetupCheck"]; units: Units }) {
  const rest = check.warnings.filter((w) => check.besides.includes(w.code));
  if (check.deviations.length === 0 && rest.length === 0)
    return <p className="font-semibold text-success">{t("shared-settings-match-the-card")}</p>;
  return (
    <ul className="space-y-1">
      {check.deviations.map((d) => {
        const kind = quantityOf(d.key)?.kind ?? "count";
        return (
          <li key={d.key}>
            <Say
              id={d.used < d.low ? "shared-below-the-card" : "shared-above-the-card"}
              vars={{
                field: fieldWords(d.key),
                used: measure(d.used, kind, units),
                outside: measure(d.outside, kind, units),
                low: figure(d.low, kind, units),
                high: measure(d.high, kind, units),
                effect: d.effect,
              }}
              elems={{ strong: <strong /> }}
            />
          </li>
        );
      })}
      {rest.map((w) => (
        <li key={w.code} className={w.severity === "stop" ? "font-semibold text-error" : ""}>
          {w.message}
        </li>
      ))}
    </ul>
  );
}
