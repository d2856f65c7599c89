import { useEffect } from "react";

/** Keeps the screen lit while wanted, where the browser can. */
export function useAwake(wanted: boolean) {
  useEffect(() => {
    if (!wanted || !("wakeLock" in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    navigator.wakeLock.request("screen").then(
      (held) => {
        lock = held;
      },
      () => undefined, // refused, as on a low battery: the clock counts all the same
    );
    return () => void lock?.release();
  }, [wanted]);
}
