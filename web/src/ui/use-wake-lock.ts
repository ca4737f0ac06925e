import { useEffect } from "react";

/** Keeps the screen awake while the page is looked at; where the browser cannot, it sleeps as it would. */
export function useWakeLock(): void {
  useEffect(() => {
    const wake = (navigator as { wakeLock?: WakeLock }).wakeLock;
    if (!wake) return undefined;
    let lock: WakeLockSentinel | null = null;
    const hold = () => {
      if (document.visibilityState !== "visible") return;
      wake.request("screen").then(
        (held) => void (lock = held),
        () => undefined,
      );
    };
    hold();
    document.addEventListener("visibilitychange", hold);
    return () => {
      document.removeEventListener("visibilitychange", hold);
      void lock?.release();
    };
  }, []);
}
