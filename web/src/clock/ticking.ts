/** Calls every so many milliseconds until the function it returns is called; from a worker, which does
    not fall asleep, where there can be one: a page that is one file has none. */
export function ticking(how: "clock" | "cues", tell: () => void): () => void {
  if (import.meta.env.MODE === "single") {
    const own = setInterval(tell, how === "clock" ? 100 : 20);
    return () => clearInterval(own);
  }
  const worker =
    how === "clock"
      ? new Worker(new URL("./ticker.worker.ts", import.meta.url), { type: "module" })
      : new Worker(new URL("./run.worker.ts", import.meta.url), { type: "module" });
  worker.onmessage = tell;
  return () => worker.terminate();
}
