import { useEffect } from "react";

/** Keeps the screen lit while wanted, where the browser can. It lets go whenever the page is hidden;
    the screen is kept lit again when one comes back. */
export function useAwake(wanted: boolean) {
  useEffect(() => {
    if (!wanted || !("wakeLock" in navigator)) return;
    let over = false;
    let lock: WakeLockSentinel | null = null;
    const take = async () => {
      if (document.visibilityState !== "visible") return;
      try {
        const held = await navigator.wakeLock.request("screen");
        if (over) void held.release();
        else lock = held;
      } catch {
        // refused, as on a low battery: the clock counts all the same
      }
    };
    void take();
    document.addEventListener("visibilitychange", take);
    return () => {
      over = true;
      document.removeEventListener("visibilitychange", take);
      void lock?.release();
    };
  }, [wanted]);
}
