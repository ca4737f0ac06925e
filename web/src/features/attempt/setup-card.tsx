import type { Schemas } from "../../api/client";
import { Loading, Problem } from "../../ui/states";
import { OffCard } from "../../ui/off-card";
import { cautionWords } from "../../ui/setup-words";
import type { Attempt } from "../../ui/use-attempt";
import { useSetup } from "../../ui/use-setup";
import { useUnits } from "../../ui/use-units";
import { figure, measure, type Quantity, type Units } from "../../ui/units";
import { choiceWords } from "../../ui/words";

type Card = Schemas["Card"];

/** The card to hold beside the machine: the aim big, the range under it. */
export function SetupCard({ attempt }: { attempt: Attempt }) {
  const setup = useSetup(attempt.id, attempt.version);
  const units = useUnits();
  if (setup.isPending) return <Loading what="the setup card" />;
  if (setup.isError) return <Problem error={setup.error} again={() => void setup.refetch()} />;
  const { card, check } = setup.data;
  const welded = attempt.state !== "assigned";
  return (
    <details className="rounded-box border border-base-300 bg-base-100 p-4" open={!welded}>
      <summary className="cursor-pointer text-lg font-bold">Setup card</summary>
      {check && <div className="mt-2"><OffCard check={check} units={units} /></div>}
      <Figures card={card} units={units} />
      {card.warnings.map((w) => <p key={w.code} role="note" className="mt-2 rounded-box bg-warning p-2 text-warning-content">{w.message}</p>)}
      <details className="mt-3">
        <summary className="cursor-pointer font-semibold">Why {card.current_a.aim.toFixed(0)} A</summary>
        <p>{card.current_a.rule}; {card.current_a.because.map((b) => b.replaceAll("_", " ")).join(", ")}.</p>
        <ul className="list-disc pl-5">{card.opinions.map((o) => <li key={o.rule}>{o.rule}: {o.current_a.toFixed(0)} A</li>)}</ul>
        <p>Heat {card.heat_kj_mm.arc.toFixed(2)} kJ/mm at the arc, {card.heat_kj_mm.net.toFixed(2)} reaches the work. Gas for a run of 100 mm: {card.gas_l_per_run.toFixed(0)} L; Reynolds number {card.reynolds.toFixed(0)}.</p>
      </details>
      <details className="mt-2">
        <summary className="cursor-pointer font-semibold">Before you strike</summary>
        <ul className="list-disc pl-5">{card.cautions.map((c) => <li key={c}>{cautionWords[c] ?? c}</li>)}</ul>
      </details>
    </details>
  );
}

function Figures({ card, units }: { card: Card; units: Units }) {
  const ranged = (words: string, value: Schemas["Range"] | null, quantity: Quantity) => value && <Big words={words} aim={measure(value.aim, quantity, units)} range={`${figure(value.low, quantity, units)} to ${figure(value.high, quantity, units)}`} />;
  return (
    <dl className="mt-3 grid grid-cols-2 gap-x-4 gap-y-2 sm:grid-cols-4">
      {ranged("Current", card.current_a, "current")}
      {ranged("Gas flow", card.gas_l_min, "flow")}
      <Big words="Cup" aim={`no. ${card.cup.number.toFixed(0)}`} range={choiceWords[card.gas_part] ?? card.gas_part} />
      <Big words="Polarity" aim={card.polarity} range={choiceWords[card.polarity] ?? ""} />
      {ranged("Stick-out", card.stickout_mm, "length")}
      <Big words="Electrode" aim={measure(card.electrode.diameter_mm, "length", units)} range={`taper ${measure(card.electrode.taper_mm, "length", units)}`} />
      {card.filler && <Big words="Filler" aim={`${card.filler.alloy} ${measure(card.filler.diameter_mm, "length", units)}`} range={`${card.filler.length_mm_per_100mm.toFixed(0)} mm for 100 mm`} />}
      {ranged("Travel", card.travel_mm_s, "speed")}
      {card.dabs_per_s !== null && <Big words="Dabs" aim={`${card.dabs_per_s.toFixed(1)} a second`} range={card.dab_pitch_mm ? `${measure(card.dab_pitch_mm.aim, "length", units)} apart` : ""} />}
      {ranged("Pre-flow", card.preflow_s, "time")}
      {ranged("Down-slope", card.downslope_s, "time")}
      {ranged("Post-flow", card.postflow_s, "time")}
      <Big words="Work / travel angle" aim={`${card.angles_deg.work.toFixed(0)}° / ${card.angles_deg.travel.toFixed(0)}°`} range={`filler ${card.angles_deg.filler.toFixed(0)}°`} />
    </dl>
  );
}

function Big({ words, aim, range }: { words: string; aim: string; range: string }) {
  return (
    <div className="border-t border-base-300 pt-1">
      <dt className="quiet text-sm">{words}</dt>
      <dd><span className="block text-2xl font-bold leading-tight">{aim}</span><span className="quiet text-sm">{range}</span></dd>
    </div>
  );
}
