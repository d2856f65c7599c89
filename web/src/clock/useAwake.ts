import { useEffect, useState } from "react";

/** Keeps the screen lit while wanted; false where the browser cannot or will not. It lets go whenever
    the page is hidden; the screen is kept lit again when one comes back. */
export function useAwake(wanted: boolean): boolean {
  const [refused, setRefused] = useState(false);
  const able = "wakeLock" in navigator; // only pages of one's own machine or over https have it
  useEffect(() => {
    if (!wanted || !able) return;
    let over = false;
    let lock: WakeLockSentinel | null = null;
    const take = async () => {
      if (document.visibilityState !== "visible") return;
      try {
        const held = await navigator.wakeLock.request("screen");
        if (over) return void held.release();
        lock = held;
        setRefused(false);
      } catch {
        setRefused(true); // as on a low battery: the clock counts all the same
      }
    };
    void take();
    document.addEventListener("visibilitychange", take);
    return () => {
      over = true;
      document.removeEventListener("visibilitychange", take);
      void lock?.release();
    };
  }, [wanted, able]);
  return able && !refused;
}
