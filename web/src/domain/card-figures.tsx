import type { Schemas } from "../api/client";
import { figure, measure, type Quantity, type Units } from "./units";
import { choiceWords } from "./words";

/** Every figure of a setup card: the aim big, the range under it. `moved` marks figures that have just changed. */
export function CardFigures({
  card,
  units,
  moved = [],
}: {
  card: Schemas["Card"];
  units: Units;
  moved?: string[];
}) {
  const ranged = (words: string, value: Schemas["Band"] | null, quantity: Quantity) =>
    value && (
      <Big
        moved={moved.includes(words)}
        words={words}
        aim={measure(value.aim, quantity, units)}
        range={`${figure(value.low, quantity, units)} to ${figure(value.high, quantity, units)}`}
      />
    );
  return (
    <dl className="mt-3 grid grid-cols-2 gap-x-4 gap-y-2 sm:grid-cols-4">
      {ranged("Current", card.current_a, "current")}
      {ranged("Gas flow", card.gas_l_min, "flow")}
      <Big
        moved={moved.includes("Cup")}
        words="Cup"
        aim={`no. ${card.cup.number.toFixed(0)}`}
        range={choiceWords("gas_part", card.gas_part)}
      />
      <Big words="Polarity" aim={card.polarity} range={choiceWords("polarity", card.polarity)} />
      {ranged("Stick-out", card.stickout_mm, "length")}
      <Big
        moved={moved.includes("Electrode")}
        words="Electrode"
        aim={measure(card.electrode.diameter_mm, "length", units)}
        range={`taper ${measure(card.electrode.taper_mm, "length", units)}`}
      />
      {card.filler && (
        <Big
          moved={moved.includes("Filler")}
          words="Filler"
          aim={`${card.filler.alloy} ${measure(card.filler.diameter_mm, "length", units)}`}
          range={[card.filler.length_mm_per_100mm, 100]
            .map((v) => measure(v, "length", units, 0))
            .join(" for ")}
        />
      )}
      {ranged("Travel", card.travel_mm_s, "speed")}
      {card.dabs_per_s !== null && (
        <Big
          moved={moved.includes("Dabs")}
          words="Dabs"
          aim={`${card.dabs_per_s.toFixed(1)} a second`}
          range={card.dab_pitch_mm ? `${measure(card.dab_pitch_mm.aim, "length", units)} apart` : ""}
        />
      )}
      {ranged("Puddle before moving", card.start_s, "time")}
      {ranged("Pre-flow", card.preflow_s, "time")}
      {ranged("Down-slope", card.downslope_s, "time")}
      {ranged("Post-flow", card.postflow_s, "time")}
      {card.purge && (
        <Big
          words="Purge"
          aim={measure(card.purge.l_min.aim, "flow", units)}
          range={
            card.purge.wait_s === null
              ? `${String(card.purge.volumes)} volumes first`
              : `wait ${card.purge.wait_s.toFixed(0)} s`
          }
        />
      )}
      {card.runs && (
        <Big
          words="Runs round the tube"
          aim={`${String(card.runs.count)} of ${measure(card.runs.length_mm, "length", units)}`}
          range={`${String(card.runs.dabs)} dabs each; order ${card.runs.order.join(", ")}`}
        />
      )}
      {card.turntable_rpm && (
        <Big
          words="Turntable"
          aim={`${card.turntable_rpm.aim.toFixed(2)} rpm`}
          range={`${card.turntable_rpm.low.toFixed(2)} to ${card.turntable_rpm.high.toFixed(2)}`}
        />
      )}
      {card.pulse_mean_a !== null && (
        <Big words="Pulse mean" aim={measure(card.pulse_mean_a, "current", units)} range="" />
      )}
      <Big
        words="Work / travel angle"
        aim={`${card.angles_deg.work.toFixed(0)}° / ${card.angles_deg.travel.toFixed(0)}°`}
        range={`filler ${card.angles_deg.filler.toFixed(0)}°`}
      />
    </dl>
  );
}

function Big({
  words,
  aim,
  range,
  moved = false,
}: {
  words: string;
  aim: string;
  range: string;
  moved?: boolean;
}) {
  return (
    <div className={`border-t pt-1 ${moved ? "border-t-4 border-secondary" : "border-base-300"}`}>
      <dt className="quiet text-sm">{words}</dt>
      <dd>
        <span className="block text-2xl leading-tight font-bold">{aim}</span>
        <span className="quiet text-sm">{range}</span>
      </dd>
    </div>
  );
}
