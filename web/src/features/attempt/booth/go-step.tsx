import { t } from "../../../catalogue";
import { Ear, Volume2, VolumeX } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { isLit } from "../../../domain/beat";
import { useBeep } from "../../../ui/use-clock";
import { ArcHearer } from "../../../domain/hearing";
import { Problem } from "../../../ui/states";
import { useEar } from "../../../ui/use-ear";
import { COUNT_IN_S, heardArc, tapped, ticked, type Go } from "./go";

const TICK_MS = 50;
/** Hz of the beeps: count-in, arc, each dab, hold still. */
const TONES = { count: 660, arc: 990, dab: 880, hold: 440 };
/** ms of a shake for a dab, of one for the arc's end. */
const SHAKES = { dab: 40, hold: 400 };

type Props = {
  postflowS: number;
  /** Dabs or pulses a second; null where nothing is timed. */
  perSecond: number | null;
  ended: (arcS: number) => void;
  glowed: (glowS: number) => void;
  cooling: (since: number) => void;
};

function arcs() {
  const hearer = new ArcHearer();
  return (samples: Float32Array, at_s: number) => hearer.hear(samples, at_s);
}

/** The run by the clock: one big face to tap, and cadence by sound, light and shaking. */
export function GoStep({ postflowS, perSecond, ended, glowed, cooling }: Props) {
  const [go, setGo] = useState<Go>({ phase: "ready" });
  const [now, setNow] = useState(() => Date.now());
  const [loud, setLoud] = useState(true);
  const beep = useBeep();
  const running = go.phase !== "ready";
  useEffect(() => {
    if (!running) return undefined;
    const timer = setInterval(() => {
      const at = Date.now();
      setNow(at);
      setGo((was) => ticked(was, at, postflowS));
    }, TICK_MS);
    return () => clearInterval(timer);
  }, [running, postflowS]);
  const passed = "since" in go ? Math.max(0, (now - go.since) / 1000) : 0;
  const beat = go.phase === "arc" && perSecond !== null ? Math.floor(passed * perSecond) : 0;
  const mark = `${go.phase}${String(go.phase === "count-in" ? Math.floor(passed) : beat)}`;
  const first = useRef(mark);
  useEffect(() => {
    if (first.current === mark) return;
    first.current = mark;
    const tone = {
      ready: 0,
      cooling: 0,
      "count-in": TONES.count,
      hold: TONES.hold,
      arc: beat ? TONES.dab : TONES.arc,
    };
    const hertz = tone[go.phase];
    if (loud && hertz) beep(hertz);
    if (go.phase === "arc") navigator.vibrate?.(SHAKES.dab);
    if (go.phase === "hold") navigator.vibrate?.(SHAKES.hold);
  }, [mark, beat, go.phase, loud, beep]);
  const turn = (next: Go, at: number) => {
    setNow(at);
    setGo(next);
    if (next.phase === "hold" && go.phase === "arc") {
      ended(next.arcS);
      cooling(at);
    }
  };
  const ear = useEar(arcs, ({ arc, at: at_s }) => {
    const at = 1000 * at_s;
    turn(heardArc(go, arc, at), at);
  });
  const tap = () => {
    const at = Date.now();
    const next = tapped(go, at);
    turn(next, at);
    if (next.phase === "hold" && next.glowS !== null && next !== go) glowed(next.glowS);
  };
  const lit = go.phase === "arc" && perSecond !== null && isLit((passed * perSecond) % 1);
  const face = faceOf(go, passed, postflowS);
  const tone = {
    ready: "bg-neutral text-neutral-content",
    "count-in": "bg-neutral text-neutral-content",
    arc: lit ? "bg-accent text-accent-content" : "bg-neutral text-neutral-content",
    hold: "bg-primary text-primary-content",
    cooling: "bg-base-300 text-base-content",
  }[go.phase];
  return (
    <div className="space-y-3">
      <h2 className="sr-only">{t("booth-go")}</h2>
      <button
        className={`flex min-h-[55dvh] w-full flex-col items-center justify-center rounded-box p-4 ${tone}`}
        onClick={tap}
      >
        <span className="text-[6.5rem] leading-none font-bold tabular-nums" role="timer">
          {face.big}
        </span>
        <span className="mt-3 text-3xl font-bold">{face.words}</span>
        <span className="mt-2 text-xl">{face.tap}</span>
      </button>
      <button
        className="btn h-14 w-full btn-outline text-lg"
        aria-pressed={loud}
        onClick={() => setLoud(!loud)}
      >
        {loud ? <Volume2 aria-hidden /> : <VolumeX aria-hidden />}{" "}
        {loud ? t("booth-sound-on") : t("booth-sound-off")}
      </button>
      <button className="btn h-14 w-full btn-outline text-lg" aria-pressed={ear.on} onClick={ear.toggle}>
        <Ear aria-hidden /> {ear.on ? t("booth-arc-heard") : t("booth-hear-arc")}
      </button>
      <Problem error={ear.error} />
      {perSecond !== null && perSecond >= 3 && <p className="text-lg">{t("booth-flicker")}</p>}
    </div>
  );
}

function faceOf(go: Go, passed: number, postflowS: number): { big: string; words: string; tap: string } {
  switch (go.phase) {
    case "ready":
      return { big: "▶", words: t("booth-ready"), tap: t("booth-tap-to-count-in") };
    case "count-in":
      return {
        big: String(Math.ceil(COUNT_IN_S - passed)),
        words: t("booth-arc-in"),
        tap: t("booth-tap-to-stop"),
      };
    case "arc":
      return { big: passed.toFixed(1), words: t("booth-arc-on"), tap: t("booth-tap-arc-out") };
    case "hold":
      return {
        big: String(Math.max(0, Math.ceil(postflowS - passed))),
        words: t("booth-hold-still"),
        tap: go.glowS === null ? t("booth-tap-no-glow") : t("booth-no-glow", { glow: go.glowS }),
      };
    case "cooling":
      return {
        big: minutes(passed),
        words: t("booth-cooling"),
        tap: t("booth-arc-was", { arc: go.arcS.toFixed(1) }),
      };
  }
}

/** Minutes and seconds, 2:07. */
export const minutes = (s: number): string =>
  `${String(Math.floor(s / 60))}:${String(Math.floor(s % 60)).padStart(2, "0")}`;
