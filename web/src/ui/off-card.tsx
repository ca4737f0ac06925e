import type { Schemas } from "../api/client";
import { runQuantities } from "./run-quantities";
import type { Units } from "./units";
import { figure, measure } from "./units";
import { runWords } from "./words";

/** What of the logged run lies off the card: how far, and what it usually does to the bead. */
export function OffCard({ check, units }: { check: Schemas["Check"]; units: Units }) {
  const told = new Set(check.deviations.map((d) => d.key));
  const rest = check.warnings.filter(
    (w) =>
      w.severity === "stop" ||
      ![
        "gas_low",
        "gas_high",
        "postflow_short",
        "preflow_short",
        "stickout_long",
        "speed_out_of_range",
        "filler_oversize",
      ].includes(w.code) ||
      told.size === 0,
  );
  if (check.deviations.length === 0 && rest.length === 0)
    return <p className="font-semibold text-success">As the card says.</p>;
  return (
    <ul className="space-y-1">
      {check.deviations.map((d) => {
        const quantity = runQuantities[d.key] ?? "count";
        return (
          <li key={d.key}>
            <strong>
              {runWords[d.key]} {measure(d.used, quantity, units)}
            </strong>
            , {measure(d.outside, quantity, units)} {d.used < d.low ? "under" : "over"}{" "}
            {figure(d.low, quantity, units)} to {measure(d.high, quantity, units)}: {d.effect}.
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
