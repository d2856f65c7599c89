import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { isAway } from "../../api/client";
import { keepRun, type RunClock } from "../../clock/run";
import { developed, keepWent } from "./queries";

const AGAIN_MS = 3_000;
const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/**
 * Writes how a finished run went, and that its film is developed; goes on trying while the server is
 * away. Both can be handed in again without harm. A rehearsal writes nothing.
 */
export function useFinishing(run: RunClock | null) {
  const client = useQueryClient();
  const [problem, setProblem] = useState<{ message: string; away: boolean } | null>(null);
  const [attempt, setAttempt] = useState(0);
  const done = run?.phase === "done" && run.speed === 1 ? run.run_id : null;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the run stands still once it is done
  useEffect(() => {
    if (!done || !run) return;
    let gone = false;
    const write = async () => {
      while (!gone) {
        try {
          await keepWent(done, {
            started_at: run.started_at,
            steps: run.steps.map((step) => ({
              name: step.name,
              seconds: Math.round(step.end_s - step.start_s),
            })),
            measured: run.measured,
          });
          await developed(done);
          setProblem(null);
          keepRun(null);
          await client.invalidateQueries();
          return;
        } catch (refusal) {
          const away = isAway(refusal);
          if (!gone) setProblem({ message: (refusal as Error).message, away });
          if (!away) return;
          await pause(AGAIN_MS);
        }
      }
    };
    void write();
    return () => {
      gone = true;
    };
  }, [done, attempt, client]);
  const retry = () => {
    setProblem(null);
    setAttempt((before) => before + 1);
  };
  return { problem, retry };
}
