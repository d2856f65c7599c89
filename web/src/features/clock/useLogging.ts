import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { isAway } from "../../api/client";
import { keepClock, type Timed } from "../../clock/state";
import { logExposure } from "./queries";

const AGAIN_MS = 4_000;

/** Logs a closed exposure, and goes on trying while the server is away; says what stands against it. */
export function useLogging(timed: Timed | null, now: number) {
  const client = useQueryClient();
  const [problem, setProblem] = useState<{ message: string; away: boolean } | null>(null);
  const busy = useRef(false);
  const tried = useRef(0);
  const due = timed?.phase === "closed" && now - tried.current > AGAIN_MS && !problem?.message;
  const again = timed?.phase === "closed" && problem?.away && now - tried.current > AGAIN_MS;
  useEffect(() => {
    if (!(due || again) || !timed || busy.current) return;
    busy.current = true;
    tried.current = Date.now();
    logExposure({ ...timed.given, intervals: timed.intervals })
      .then(async () => {
        keepClock(null);
        setProblem(null);
        await client.invalidateQueries();
      })
      .catch((refusal: Error) => setProblem({ message: refusal.message, away: isAway(refusal) }))
      .finally(() => {
        busy.current = false;
      });
  }, [due, again, timed, client]);
  return { problem, retry: () => setProblem(null) };
}
