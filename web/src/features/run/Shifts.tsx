import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { keepRun, type RunClock, readRun, runS } from "../../clock/run";
import { Button } from "../../components/Button";
import { shift } from "./queries";

const LONGER_S = 30;

/** The next bath now, or this one half a minute longer: what the hands really do counts. */
export function Shifts({ run, next }: { run: RunClock; next: string | undefined }) {
  const [problem, setProblem] = useState("");
  const go = async (longer_s: number | null) => {
    try {
      const at_s = runS(run, Date.now());
      const found = await shift({ steps: run.steps, at_s, longer_s, out: "Pour out" });
      const latest = readRun(run.run_id);
      if (latest) keepRun({ ...latest, ...found });
      setProblem("");
    } catch (refusal) {
      setProblem((refusal as Error).message);
    }
  };
  return (
    <>
      <Button minHeight="56px" onClick={() => void go(null)}>
        {next ? "Next bath now" : "Done now"}
      </Button>
      <Button minHeight="56px" onClick={() => void go(LONGER_S)}>
        30 s longer
      </Button>
      {problem && (
        <Box role="alert" gridColumn="1 / -1" color="brick">
          {problem}
        </Box>
      )}
    </>
  );
}
