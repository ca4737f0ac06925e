import { useCallback, useEffect, useRef, useState } from "react";

/** Seconds since `start` was called, ticking with the screen; 0 and still before and after. */
export function useClock() {
  const [begun, setBegun] = useState<number | null>(null);
  const [elapsed, setElapsed] = useState(0);
  useEffect(() => {
    if (begun === null) return;
    let frame = requestAnimationFrame(function tick(now) {
      setElapsed((now - begun) / 1000);
      frame = requestAnimationFrame(tick);
    });
    return () => cancelAnimationFrame(frame);
  }, [begun]);
  const start = useCallback(() => {
    setElapsed(0);
    setBegun(performance.now());
  }, []);
  const stop = useCallback(() => setBegun(null), []);
  return { running: begun !== null, elapsed, start, stop };
}

/** A short beep; made on the first press, as browsers ask. */
export function useBeep() {
  const audio = useRef<AudioContext | null>(null);
  return useCallback((hertz: number) => {
    audio.current ??= new AudioContext();
    const context = audio.current;
    const [tone, loud] = [context.createOscillator(), context.createGain()];
    tone.frequency.value = hertz;
    loud.gain.setValueAtTime(0.5, context.currentTime);
    loud.gain.exponentialRampToValueAtTime(0.001, context.currentTime + 0.09);
    tone.connect(loud).connect(context.destination);
    tone.start();
    tone.stop(context.currentTime + 0.1);
  }, []);
}
