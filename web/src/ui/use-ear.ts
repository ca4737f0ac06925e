import { useEffect, useEffectEvent, useState } from "react";
import { t } from "../catalogue";

/** Cuts what is heard into frames (public/frames.js). */
const FRAMES = "/frames.js";

type Frame = { samples: Float32Array; at_s: number };
/** What hears one frame after another; null where nothing happened in it. */
type Hearer<T> = (samples: Float32Array, at_s: number) => T | null;

/**
 * The microphone, heard in this browser alone: nothing of it is kept or sent. `open` stands outside of the
 * component and gives a hearer anew each time it is switched on; `heard` is what to do. Times are of the page's clock,
 * seconds since 1970.
 */
export function useEar<T>(open: () => Hearer<T>, heard: (what: T) => void) {
  const [on, setOn] = useState(false);
  const [error, setError] = useState<Error | null>(null);
  const onHeard = useEffectEvent(heard);
  useEffect(() => {
    if (!on) return undefined;
    let gone = false;
    let stream: MediaStream | null = null;
    const audio = new AudioContext();
    const hearer = open();
    const begin = async () => {
      stream = await navigator.mediaDevices.getUserMedia({
        audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
      });
      await audio.audioWorklet.addModule(FRAMES);
      if (gone) return;
      const frames = new AudioWorkletNode(audio, "frames");
      let epoch_s: number | null = null;
      frames.port.onmessage = ({ data: { samples, at_s } }: MessageEvent<Frame>) => {
        epoch_s ??= Date.now() / 1000 - at_s;
        const what = gone ? null : hearer(samples, epoch_s + at_s);
        if (what !== null) onHeard(what);
      };
      // It says nothing itself; only what leads to the loudspeaker is worked on.
      audio.createMediaStreamSource(stream).connect(frames).connect(audio.destination);
    };
    begin().catch(() => {
      setError(new Error(t("cadence-no-microphone")));
      setOn(false);
    });
    return () => {
      gone = true;
      stream?.getTracks().forEach((track) => track.stop());
      void audio.close();
    };
  }, [on, open]);
  return { on, error, toggle: () => setOn(!on) };
}
