import { useEffect, useState } from "react";

/** The moment now, ten times a second while wanted; from a worker, so that it does not fall asleep. */
export function useTicks(wanted: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!wanted) return;
    setNow(Date.now());
    const worker = new Worker(new URL("./ticker.worker.ts", import.meta.url), { type: "module" });
    worker.onmessage = () => setNow(Date.now());
    return () => worker.terminate();
  }, [wanted]);
  return now;
}
