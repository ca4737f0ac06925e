import { t } from "../../catalogue";
import { Ear, Hand } from "lucide-react";
import { useCallback, useEffect, useRef, useState } from "react";
import { percent } from "../../domain/words";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { evennessOf, MIN_DABS } from "./evenness";
import { KnockHearer } from "./onsets";

const HEAR_MS = 15;
const SAMPLES = 1024;
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

/** A dry run: tap along, or let the microphone hear the rod; a strip of ticks beside the last bead's ripples. */
export function Trainer({ perSecond, travelMmS, ripples, place }: Props) {
  const [times, setTimes] = useState<number[]>([]);
  const [kept, setKept] = useState<number[]>(
    () => JSON.parse(localStorage.getItem(place) ?? "[]") as number[],
  );
  const begun = useRef<number | null>(null);
  const dab = useCallback(() => {
    begun.current ??= performance.now();
    const at = (performance.now() - begun.current) / 1000;
    setTimes((before) => [...before, at]);
  }, []);
  const ear = useEar(dab);
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
        <button className="btn h-20 text-xl btn-primary" onPointerDown={dab}>
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

/** The microphone, heard in this browser alone: nothing of it is kept or sent. */
function useEar(heard: () => void) {
  const [on, setOn] = useState(false);
  const [error, setError] = useState<Error | null>(null);
  useEffect(() => {
    if (!on) return undefined;
    let gone = false;
    let stream: MediaStream | null = null;
    let timer: ReturnType<typeof setInterval> | undefined;
    const audio = new AudioContext();
    const hearer = new KnockHearer();
    const begin = async () => {
      stream = await navigator.mediaDevices.getUserMedia({
        audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
      });
      if (gone) return;
      const analyser = audio.createAnalyser();
      analyser.fftSize = SAMPLES;
      audio.createMediaStreamSource(stream).connect(analyser);
      const frame = new Float32Array(SAMPLES);
      timer = setInterval(() => {
        analyser.getFloatTimeDomainData(frame);
        const newest = frame.subarray(SAMPLES - Math.round((audio.sampleRate * HEAR_MS) / 1000));
        if (hearer.hear(newest, audio.currentTime)) heard();
      }, HEAR_MS);
    };
    begin().catch(() => {
      setError(new Error(t("cadence-no-microphone")));
      setOn(false);
    });
    return () => {
      gone = true;
      clearInterval(timer);
      stream?.getTracks().forEach((track) => track.stop());
      void audio.close();
    };
  }, [on, heard]);
  return { on, error, toggle: () => setOn(!on) };
}
