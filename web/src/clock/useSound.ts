import { useEffect, useSyncExternalStore } from "react";
import { soundRuns, wakeSound, watchSound } from "./sounds";

/** Lets sound begin with any touch or key while it is wanted, as after a reload, and again when one
    comes back to the page; tells whether it can be heard. */
export function useSound(wanted: boolean): boolean {
  useEffect(() => {
    if (!wanted) return;
    const back = () => document.visibilityState === "visible" && wakeSound();
    wakeSound(); // where the browser allows it without a touch
    window.addEventListener("pointerdown", wakeSound, true);
    window.addEventListener("keydown", wakeSound, true);
    document.addEventListener("visibilitychange", back);
    return () => {
      window.removeEventListener("pointerdown", wakeSound, true);
      window.removeEventListener("keydown", wakeSound, true);
      document.removeEventListener("visibilitychange", back);
    };
  }, [wanted]);
  return useSyncExternalStore(watchSound, soundRuns);
}
