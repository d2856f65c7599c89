import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { type Act, carryOut } from "../api/acts";
import type { ActName, Answer } from "../api/calls";
import type { Refusal } from "../api/refusal";
import type { Progress } from "../api/transport";

/** What is done from a page: what it touched is read anew; a refusal stays to be shown. */
export function useWrite(done: () => void = () => undefined) {
  const client = useQueryClient();
  const [problem, setProblem] = useState<Refusal | null>(null);
  const [busy, setBusy] = useState(false);
  const trying = async <T>(call: () => Promise<T>): Promise<T | null> => {
    setBusy(true);
    try {
      const answer = await call();
      setProblem(null);
      return answer;
    } catch (refusal) {
      setProblem(refusal as Refusal);
      return null;
    } finally {
      setBusy(false);
    }
  };
  /** Do it; `at_once` when it is done, `done` when everything shown is true again. Its answer, or
      null when it was refused. */
  const write = <N extends ActName>(
    act: Act<N>,
    { at_once, progress }: { at_once?: (answer: Answer<N>) => void; progress?: Progress } = {},
  ) =>
    trying(async () => {
      const { answer, fresh } = await carryOut(client, act, progress);
      at_once?.(answer);
      await fresh;
      done();
      return answer;
    });
  /** Ask for something the page goes on with by itself. */
  const ask = <T>(call: () => Promise<T>) => trying(call);
  /** what another hand kept is taken: shown as it is now, and mine let go */
  const take = async () => {
    await client.invalidateQueries();
    done();
  };
  return { problem, setProblem, busy, write, ask, take };
}
