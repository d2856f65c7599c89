import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { isAway } from "../../api/client";
import { keepClock, type Timed } from "../../clock/state";
import { logExposure } from "./queries";

const AGAIN_MS = 3_000;
const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/**
 * Logs a closed exposure and goes on trying while the server is away; a refusal waits for the
 * photographer. The exposure's own id makes trying again harmless.
 */
export function useLogging(timed: Timed | null) {
  const client = useQueryClient();
  const [problem, setProblem] = useState<{ message: string; away: boolean } | null>(null);
  const [attempt, setAttempt] = useState(0);
  const closed = timed?.phase === "closed" ? timed : null;
  // biome-ignore lint/correctness/useExhaustiveDependencies: another attempt begins anew
  useEffect(() => {
    if (!closed) return;
    let gone = false;
    const log = async () => {
      while (!gone) {
        try {
          await logExposure({ ...closed.given, intervals: closed.intervals });
          keepClock(null);
          setProblem(null);
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
    void log();
    return () => {
      gone = true;
    };
  }, [closed, attempt, client]);
  const retry = () => {
    setProblem(null);
    setAttempt((before) => before + 1);
  };
  return { problem, retry };
}
