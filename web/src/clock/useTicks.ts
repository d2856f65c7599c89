import { useEffect, useState } from "react";
import { ticking } from "./ticking";

/** The moment now, ten times a second while wanted; from a worker, so that it does not fall asleep. */
export function useTicks(wanted: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!wanted) return;
    setNow(Date.now());
    return ticking("clock", () => setNow(Date.now()));
  }, [wanted]);
  return now;
}
