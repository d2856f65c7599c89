import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import type { Refusal } from "../api/client";

/** A write from a page: everything shown is read anew afterwards; a refusal stays to be shown. */
export function useWrite(done: () => void = () => undefined) {
  const client = useQueryClient();
  const [problem, setProblem] = useState<Refusal | null>(null);
  const [busy, setBusy] = useState(false);
  const write = async (call: () => Promise<unknown>) => {
    setBusy(true);
    try {
      await call();
      setProblem(null);
      await client.invalidateQueries();
      done();
      return true;
    } catch (refusal) {
      setProblem(refusal as Refusal);
      return false;
    } finally {
      setBusy(false);
    }
  };
  /** what another hand kept is taken: shown as it is now, and mine let go */
  const take = async () => {
    await client.invalidateQueries();
    done();
  };
  const at = (field: string) => (problem?.field === field ? problem.message : null);
  return { problem, setProblem, busy, write, take, at };
}
