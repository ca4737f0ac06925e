import { t } from "../catalogue";
import type { Schemas } from "../api/client";
import { measure, type Units } from "./units";

/** Which rules a card's current comes from, what moved it, and the heat that goes with it. */
export function WhyCurrent({ card }: { card: Schemas["Card"] }) {
  return (
    <>
      <p>
        {card.current_a.rule}; {card.current_a.because.join(", ")}.
      </p>
      <ul className="list-disc pl-5">
        {card.opinions.map((o) => (
          <li key={o.rule}>{t("shared-a", { rule: o.rule, current_a: o.current_a.toFixed(0) })}</li>
        ))}
      </ul>
    </>
  );
}

const RUN_MM = 100;

/** Heat per length in both conventions, and the gas of a run. */
export function HeatAndGas({ card, units }: { card: Schemas["Card"]; units: Units }) {
  return (
    <p>
      {t("shared-heat-kj-mm-at-the-arc", {
        arc: card.heat_kj_mm.arc.toFixed(2),
        net: card.heat_kj_mm.net.toFixed(2),
        run_mm: measure(RUN_MM, "length", units, 0),
        gas_l_per_run: card.gas_l_per_run.toFixed(0),
        reynolds: card.reynolds.toFixed(0),
      })}
    </p>
  );
}
