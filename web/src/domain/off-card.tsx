import type { Schemas } from "../api/client";
import { figure, measure, type Units } from "./units";
import { fieldWords, quantityOf } from "./words";

/** What of the logged run lies off the card: how far, and what it usually does to the bead. */
export function OffCard({ check, units }: { check: Schemas["SetupCheck"]; units: Units }) {
  const rest = check.warnings.filter((w) => check.besides.includes(w.code));
  if (check.deviations.length === 0 && rest.length === 0)
    return <p className="font-semibold text-success">Settings match the card.</p>;
  return (
    <ul className="space-y-1">
      {check.deviations.map((d) => {
        const kind = quantityOf(d.key)?.kind ?? "count";
        return (
          <li key={d.key}>
            <strong>
              {fieldWords(d.key)} {measure(d.used, kind, units)}
            </strong>
            , {measure(d.outside, kind, units)} {d.used < d.low ? "under" : "over"}{" "}
            {figure(d.low, kind, units)} to {measure(d.high, kind, units)}: {d.effect}.
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
