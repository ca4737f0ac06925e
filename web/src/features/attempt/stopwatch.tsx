import { t } from "../../catalogue";
import { Timer, TimerOff } from "lucide-react";
import { useEffect, useState } from "react";

const TICK_MS = 100;

/** One tap when the arc lights, one when it goes out; what lies between is the arc time of the run, seconds. */
export function Stopwatch({ stopped }: { stopped: (seconds: number) => void }) {
  const [begun, setBegun] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (begun === null) return undefined;
    const timer = setInterval(() => setNow(performance.now()), TICK_MS);
    return () => clearInterval(timer);
  }, [begun]);
  const seconds = begun === null ? 0 : Math.max(0, now - begun) / 1000;
  const tap = () => {
    if (begun === null) {
      setNow(performance.now());
      setBegun(performance.now());
    } else {
      // No arc time is nought: two taps at once are the least that can be kept.
      stopped(Math.max(TICK_MS, Math.round((performance.now() - begun) / TICK_MS) * TICK_MS) / 1000);
      setBegun(null);
    }
  };
  return (
    <button
      type="button"
      className={`btn h-14 w-full text-lg ${begun === null ? "" : "btn-secondary"}`}
      aria-pressed={begun !== null}
      onClick={tap}
    >
      {begun === null ? <Timer size={22} aria-hidden /> : <TimerOff size={22} aria-hidden />}
      {begun === null
        ? t("attempt-start-timer-when-the-arc-starts")
        : t("attempt-stop-timer-s", { seconds: seconds.toFixed(1) })}
    </button>
  );
}
