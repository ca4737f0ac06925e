import { useEffect, useEffectEvent, useState } from "react";
import { t } from "../catalogue";

/** Samples the browser keeps for us; the newest part of them is one frame. */
const SAMPLES = 2048;
const HEAR_MS = 15;

/** What hears one frame after another; null where nothing happened in it. */
type Hearer<T> = (samples: Float32Array, at_s: number) => T | null;

/**
 * The microphone, heard in this browser alone: nothing of it is kept or sent. `open` stands outside of the
 * component and gives a hearer anew each time it is switched on; `heard` is what to do, `at_s` when it was heard.
 */
export function useEar<T>(open: () => Hearer<T>, heard: (what: T, at_s: number) => void) {
  const [on, setOn] = useState(false);
  const [error, setError] = useState<Error | null>(null);
  const onHeard = useEffectEvent(heard);
  useEffect(() => {
    if (!on) return undefined;
    let gone = false;
    let stream: MediaStream | null = null;
    let timer: ReturnType<typeof setInterval> | undefined;
    const audio = new AudioContext();
    const hearer = open();
    const begin = async () => {
      stream = await navigator.mediaDevices.getUserMedia({
        audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
      });
      if (gone) return;
      const analyser = audio.createAnalyser();
      analyser.fftSize = SAMPLES;
      audio.createMediaStreamSource(stream).connect(analyser);
      const samples = new Float32Array(SAMPLES);
      timer = setInterval(() => {
        analyser.getFloatTimeDomainData(samples);
        const at_s = audio.currentTime;
        const what = hearer(
          samples.subarray(SAMPLES - Math.round((audio.sampleRate * HEAR_MS) / 1000)),
          at_s,
        );
        if (what !== null) onHeard(what, at_s);
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
  }, [on, open]);
  return { on, error, toggle: () => setOn(!on) };
}
