import { useEffect } from "react";
import { cuesOf, keepRun, readRun, runS, totalS } from "./run";
import { cueSound } from "./sounds";
import { say } from "./speech";

/** Later than this a cue is past: after a reload only what is due now is heard, not what was missed. */
const LATE_S = 1.5;

/** Gives the run's cues as their moments come, and ends it; on its own thread's ticks. */
export function useCues(wanted: boolean, aloud: boolean) {
  useEffect(() => {
    if (!wanted) return;
    const worker = new Worker(new URL("./run.worker.ts", import.meta.url), { type: "module" });
    worker.onmessage = () => {
      const run = readRun();
      if (run?.phase !== "going") return;
      const at_s = runS(run, Date.now());
      const due = cuesOf(run.steps).filter(
        (cue) => cue.at_s <= at_s && cue.at_s > run.given_s - 1e-6,
      );
      const last = due.at(-1);
      if (last) {
        for (const cue of due) {
          if (at_s - cue.at_s > LATE_S * run.speed) continue;
          cueSound[cue.sound]();
          window.dispatchEvent(
            new CustomEvent("emulsa-cue", {
              detail: { ...cue, late_s: (at_s - cue.at_s) / run.speed },
            }),
          );
        }
        if (aloud && run.speed === 1) say(last.says);
        keepRun({ ...run, given_s: last.at_s + 1e-3 });
      }
      if (at_s >= totalS(run)) {
        keepRun({ ...run, phase: "done", done_s: totalS(run), since: null, given_s: at_s });
      }
    };
    return () => worker.terminate();
  }, [wanted, aloud]);
}
