import { type Clocks, putAway, readRun } from "../../clock/run";
import { useInsisting } from "../../clock/useInsisting";
import { developed, keepWent } from "./queries";

/** Writes how each finished run went, and that its film is developed. A rehearsal writes nothing, and
    a print is kept by who has looked at it. */
export const useFinishing = (clocks: Clocks | null) => {
  const done = clocks?.runs.find(
    (each) => each.phase === "done" && each.speed === 1 && !each.print_id,
  );
  return useInsisting(done?.run_id ?? null, async (run_id, write) => {
    const run = readRun(run_id);
    if (run === null) return;
    await write(
      keepWent(run_id, {
        started_at: run.started_at,
        steps: run.steps.map((step) => ({
          name: step.name,
          seconds: Math.round(step.end_s - step.start_s),
        })),
        measured: run.measured,
      }),
    );
    await write(developed(run_id));
    putAway(run_id);
  });
};
