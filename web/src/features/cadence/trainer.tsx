import { t } from "../../catalogue";
import { Ear, Hand } from "lucide-react";
import { useRef, useState } from "react";
import { percent } from "../../domain/words";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { useEar } from "../../ui/use-ear";
import { evennessOf, MIN_DABS } from "./evenness";
import { KnockHearer } from "./onsets";

const [WIDE, TALL] = [300, 24];
const MAX_KEPT = 20;

type Props = {
  perSecond: number;
  /** mm along the bead for each second of the hand. */
  travelMmS: number;
  /** Places of the ripples of the student's last bead, mm. */
  ripples: readonly number[];
  /** Where the results of this coupon are kept. */
  place: string;
};

function knocks() {
  const hearer = new KnockHearer();
  return (samples: Float32Array, at_s: number) => (hearer.hear(samples, at_s) ? at_s : null);
}

/** A dry run: tap along, or let the microphone hear the rod; a strip of ticks beside the last bead's ripples. */
export function Trainer({ perSecond, travelMmS, ripples, place }: Props) {
  const [times, setTimes] = useState<number[]>([]);
  const [kept, setKept] = useState<number[]>(
    () => JSON.parse(localStorage.getItem(place) ?? "[]") as number[],
  );
  const begun = useRef<number | null>(null);
  const dab = (at_s: number) => {
    begun.current ??= at_s;
    const since = at_s - begun.current;
    setTimes((before) => [...before, since]);
  };
  const ear = useEar(knocks, dab);
  const found = evennessOf(times, perSecond);
  const finish = () => {
    if (found) {
      const next = [...kept, found.cv].slice(-MAX_KEPT);
      localStorage.setItem(place, JSON.stringify(next));
      setKept(next);
    }
    setTimes([]);
    begun.current = null;
  };
  const places = times.map((at) => (at - (times[0] ?? 0)) * travelMmS);
  const from = ripples[0] ?? 0;
  const length = Math.max(40, (places.at(-1) ?? 0) + travelMmS, (ripples.at(-1) ?? 0) - from);
  return (
    <Panel aria-label={t("cadence-dry-run")} className="space-y-3">
      <h2 className="text-lg font-bold">{t("cadence-dry-run")}</h2>
      <p className="text-sm">{t("cadence-dry-run-how")}</p>
      <div className="grid grid-cols-[2fr_1fr] gap-2">
        <button className="btn h-20 text-xl btn-primary" onPointerDown={() => dab(Date.now() / 1000)}>
          <Hand aria-hidden /> {t("cadence-tap")}
        </button>
        <button className="btn h-20 btn-outline" aria-pressed={ear.on} onClick={ear.toggle}>
          <Ear aria-hidden /> {ear.on ? t("cadence-hearing") : t("cadence-listen")}
        </button>
      </div>
      <Problem error={ear.error} />
      <Ticks words={t("cadence-your-dabs")} places={places} length={length} />
      {ripples.length > 1 && (
        <Ticks words={t("cadence-last-bead")} places={ripples.map((at) => at - from)} length={length} />
      )}
      <p role="status">
        {found
          ? t("cadence-result", {
              cv: percent(found.cv),
              drift: percent(found.drift),
              late: percent(found.late),
            })
          : t("cadence-more-dabs", { count: Math.max(0, MIN_DABS - times.length) })}
      </p>
      <button className="btn h-14 w-full btn-outline" disabled={times.length === 0} onClick={finish}>
        {t("cadence-finish")}
      </button>
      {kept.length > 0 && (
        <p className="text-sm">{t("cadence-before", { kept: kept.map((cv) => percent(cv)).join(", ") })}</p>
      )}
    </Panel>
  );
}

type TicksProps = { words: string; places: readonly number[]; length: number };

function Ticks({ words, places, length }: TicksProps) {
  return (
    <figure>
      <figcaption className="quiet text-sm">{words}</figcaption>
      <svg
        viewBox={`0 0 ${String(WIDE)} ${String(TALL)}`}
        preserveAspectRatio="none"
        role="img"
        aria-label={`${words}: ${String(places.length)}`}
        className="h-6 w-full rounded-field bg-base-200"
      >
        {places.map((at, k) => (
          <path
            key={k}
            d={`M${((at / length) * WIDE).toFixed(1)} 0v${String(TALL)}`}
            className="stroke-base-content"
            strokeWidth={2}
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </svg>
    </figure>
  );
}
