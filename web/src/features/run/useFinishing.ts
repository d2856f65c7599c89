import { type Clocks, putAway, readRun } from "../../clock/run";
import { useInsisting } from "../../clock/useInsisting";
import { finished } from "./queries";

/** Writes of each finished run how it went and that its film is developed, as one thing. A rehearsal writes nothing, and
    a print is kept by who has looked at it. */
export const useFinishing = (clocks: Clocks | null) => {
  const done = clocks?.runs.find(
    (each) => each.phase === "done" && each.speed === 1 && !each.print_id,
  );
  return useInsisting(done?.run_id ?? null, async (run_id, write) => {
    const run = readRun(run_id);
    if (run === null) return;
    await write(
      finished(run_id, {
        started_at: run.started_at,
        steps: run.steps.map((step) => ({
          name: step.name,
          seconds: step.end_s - step.start_s,
        })),
        measured: run.measured,
      }),
    );
    putAway(run_id);
  });
};
