import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { devicesQuery } from "../../api/queries";
import { keepRun, type RunClock, readRun, type Step } from "../../clock/run";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { useDegrees } from "../../shared/useDegrees";
import { readThermometer, retime } from "./queries";

/** The developer's temperature typed or read: what is left is timed anew by it. */
export function Thermometer({ run, at_s, step }: { run: RunClock; at_s: number; step: Step }) {
  const { unit, said: inUnit } = useDegrees();
  const simulated = useQuery(devicesQuery).data?.simulated;
  const [typed, setTyped] = useState("");
  const [said, setSaid] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const minute = Math.max(0, (at_s - step.start_s) / 60);
  const take = async (temperature_c: number) => {
    try {
      const first = { minute: 0, temperature_c: run.began_c };
      const measured = [
        ...(run.measured.length ? run.measured : [first]),
        { minute, temperature_c },
      ];
      const answer = await retime(run.run_id, { elapsed_min: minute, measured });
      const latest = readRun(run.run_id);
      if (!latest) return;
      const { process, heard } = answer.course;
      keepRun({ ...latest, measured: answer.measured, steps: process.steps, heard });
      setSaid(answer.says);
      setProblem(null);
      setTyped("");
    } catch (refusal) {
      setProblem((refusal as Error).message);
    }
  };
  const read = async () => {
    try {
      await take((await readThermometer(run.began_c, minute)).temperature_c);
    } catch (refusal) {
      setProblem((refusal as Error).message);
    }
  };
  return (
    <Flex
      as="form"
      gap="3"
      align="flex-start"
      wrap="wrap"
      justify="center"
      onSubmit={(event) => {
        event.preventDefault();
        void take(inUnit(typed));
      }}
    >
      <Box width="200px">
        <Entry
          label={`Developer now, ${unit}`}
          inputMode="decimal"
          value={typed}
          onText={setTyped}
          problem={problem}
        />
      </Box>
      <Button type="submit" marginTop="25px" disabled={!typed.trim()}>
        Recalculate
      </Button>
      {simulated && (
        <Button variant="quiet" marginTop="25px" onClick={read}>
          Simulated thermometer
        </Button>
      )}
      {said && (
        <Box role="status" paddingTop="34px" color="accent" fontWeight={600}>
          {said}
        </Box>
      )}
    </Flex>
  );
}
