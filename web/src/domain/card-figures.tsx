import { t } from "../catalogue";
import type { Schemas } from "../api/client";
import { cupWords, figure, measure, type Quantity, type Units } from "./units";
import { choiceWords } from "./words";

const BEAD_MM = 100;
const BEAD_IN = 4;
/** A rod's length is read off a rule: eighths of an inch. */
const EIGHTH_MM = 25.4 / 8;

/** How much rod a stretch of bead takes, in lengths that somebody measures with a rule. */
export function rodForBead(perHundred: number, units: Units) {
  if (units.length === "mm")
    return { rod: measure(perHundred, "size", units, 0), bead: measure(BEAD_MM, "size", units, 0) };
  const bead = BEAD_IN * 25.4;
  const rod = Math.round((perHundred * bead) / BEAD_MM / EIGHTH_MM) * EIGHTH_MM;
  return { rod: measure(rod, "size", units), bead: measure(bead, "size", units) };
}

/** Every figure of a setup card: the aim big, the range under it. `moved` marks figures that have just changed,
 *  `hidden` names those that mean nothing on the machine. */
export function CardFigures({
  card,
  units,
  moved = [],
  hidden = [],
}: {
  card: Schemas["Card"];
  units: Units;
  moved?: string[];
  hidden?: string[] | undefined;
}) {
  const ranged = (words: string, value: Schemas["Band"] | null, quantity: Quantity) =>
    value && (
      <Big
        moved={moved.includes(words)}
        words={words}
        aim={measure(value.aim, quantity, units)}
        range={t("shared-to", {
          low: figure(value.low, quantity, units),
          high: figure(value.high, quantity, units),
        })}
      />
    );
  return (
    <dl className="mt-3 grid grid-cols-2 gap-x-4 gap-y-2 sm:grid-cols-4">
      {ranged(t("common-current"), card.current_a, "current")}
      {ranged(t("common-gas-flow"), card.gas_l_min, "flow")}
      <Big
        moved={moved.includes(t("common-cup"))}
        words={t("common-cup")}
        aim={cupWords(card.cup.number, units)}
        range={choiceWords("gas_part", card.gas_part)}
      />
      <Big words={t("shared-polarity")} aim={card.polarity} range={choiceWords("polarity", card.polarity)} />
      {ranged(t("common-stick-out"), card.stickout_mm, "length")}
      <Big
        moved={moved.includes(t("common-electrode"))}
        words={t("common-electrode")}
        aim={measure(card.electrode.diameter_mm, "size", units)}
        range={t("shared-taper", { taper_mm: measure(card.electrode.taper_mm, "length", units) })}
      />
      {card.filler && (
        <Big
          moved={moved.includes(t("common-filler"))}
          words={t("common-filler")}
          aim={`${card.filler.alloy} ${measure(card.filler.diameter_mm, "size", units)}`}
          range={t("shared-rod-for-bead", {
            ...rodForBead(card.filler.length_mm_per_100mm, units),
          })}
        />
      )}
      {ranged(t("common-travel"), card.travel_mm_s, "speed")}
      {card.dabs_per_s !== null && (
        <Big
          moved={moved.includes(t("common-dabs"))}
          words={t("common-dabs")}
          aim={t("shared-a-second", { dabs_per_s: card.dabs_per_s.toFixed(1) })}
          range={
            card.dab_pitch_mm
              ? t("shared-apart", { aim: measure(card.dab_pitch_mm.aim, "length", units) })
              : ""
          }
        />
      )}
      {ranged(t("shared-puddle-before-moving"), card.start_s, "time")}
      {!hidden.includes("preflow_s") && ranged(t("common-pre-flow"), card.preflow_s, "time")}
      {!hidden.includes("downslope_s") && ranged(t("shared-down-slope"), card.downslope_s, "time")}
      {!hidden.includes("postflow_s") && ranged(t("common-post-flow"), card.postflow_s, "time")}
      {card.purge && (
        <Big
          words={t("common-purge")}
          aim={measure(card.purge.l_min.aim, "flow", units)}
          range={
            card.purge.wait_s === null
              ? t("shared-volumes-first", { volumes: card.purge.volumes })
              : t("shared-wait-s", { wait_s: card.purge.wait_s.toFixed(0) })
          }
        />
      )}
      {card.runs && (
        <Big
          words={t("shared-runs-round-the-tube")}
          aim={t("shared-of", {
            count: card.runs.count,
            length_mm: measure(card.runs.length_mm, "length", units),
          })}
          range={t("shared-dabs-each-order", { dabs: card.runs.dabs, order: card.runs.order.join(", ") })}
        />
      )}
      {card.turntable_rpm && (
        <Big
          words={t("shared-turntable")}
          aim={t("shared-rpm", { aim: card.turntable_rpm.aim.toFixed(2) })}
          range={t("shared-to", {
            low: card.turntable_rpm.low.toFixed(2),
            high: card.turntable_rpm.high.toFixed(2),
          })}
        />
      )}
      {card.pulse_mean_a !== null && (
        <Big words={t("shared-pulse-mean")} aim={measure(card.pulse_mean_a, "current", units)} range="" />
      )}
      <Big
        words={t("shared-work-travel-angle")}
        aim={`${card.angles_deg.work.toFixed(0)}° / ${card.angles_deg.travel.toFixed(0)}°`}
        range={t("shared-filler", { filler: card.angles_deg.filler.toFixed(0) })}
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
