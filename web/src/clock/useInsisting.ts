import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { type Act, carryOut } from "../api/acts";
import { isAway } from "../api/refusal";

const AGAIN_MS = 3_000;
const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/**
 * Does something as soon as there is something to do, and goes on trying while the server is away; a
 * refusal waits for the photographer. What is done must be harmless when it is done again.
 */
export function useInsisting<T>(
  wanted: T | null,
  act: (wanted: T, write: (asked: Act) => Promise<void>) => Promise<void>,
) {
  const client = useQueryClient();
  const [problem, setProblem] = useState<{ message: string; away: boolean } | null>(null);
  const [attempt, setAttempt] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another attempt begins anew
  useEffect(() => {
    if (wanted === null) return;
    let gone = false;
    const write = async (asked: Act) => {
      await (await carryOut(client, asked)).fresh;
    };
    const insist = async () => {
      while (!gone) {
        try {
          await act(wanted, write);
          setProblem(null);
          return;
        } catch (refusal) {
          const away = isAway(refusal);
          if (!gone) setProblem({ message: (refusal as Error).message, away });
          if (!away) return;
          await pause(AGAIN_MS);
        }
      }
    };
    void insist();
    return () => {
      gone = true;
    };
  }, [wanted, attempt, client]);
  const retry = () => {
    setProblem(null);
    setAttempt((before) => before + 1);
  };
  return { problem, retry };
}
