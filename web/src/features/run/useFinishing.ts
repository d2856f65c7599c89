import { keepRun, type RunClock } from "../../clock/run";
import { useInsisting } from "../../clock/useInsisting";
import { developed, keepWent } from "./queries";

/** Writes how a finished run went, and that its film is developed. A rehearsal writes nothing. */
export const useFinishing = (run: RunClock | null) =>
  useInsisting(run?.phase === "done" && run.speed === 1 ? run : null, async (done) => {
    await keepWent(done.run_id, {
      started_at: done.started_at,
      steps: done.steps.map((step) => ({
        name: step.name,
        seconds: Math.round(step.end_s - step.start_s),
      })),
      measured: done.measured,
    });
    await developed(done.run_id);
    keepRun(null);
  });
