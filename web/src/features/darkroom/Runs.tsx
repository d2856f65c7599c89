import { Box, Flex } from "@chakra-ui/react";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { keepRun } from "../../clock/run";
import { Button } from "../../components/Button";
import { Problem } from "../../components/Problem";
import { useWrite } from "../../components/useWrite";
import { courseOf, putOff, runDeveloped } from "./queries";

/** The run's clock, laid over everything; drying is left to the night. */
async function openClock(run: Schemas["Run"]) {
  const { process } = await courseOf(run.id);
  keepRun({
    run_id: run.id,
    title: run.name,
    began_c: run.temperature_c ?? 20,
    steps: process.steps.filter((step) => step.kind !== "dry"),
    mix: process.mix
      .map((part) => `${part.part} ${part.ml.toFixed(part.ml < 20 ? 1 : 0)} ml`)
      .join(", "),
    done_s: 0,
    since: null,
    speed: 1,
    phase: "ready",
    started_at: "",
    blackout: false,
    measured: [],
    given_s: -1,
  });
}

/** Film that is in a run: developed it is when fixed, put off as long as it is dry. */
export function Runs({ runs }: { runs: Schemas["RunView"][] }) {
  const { problem, write, busy } = useWrite();
  return (
    <Box paddingTop="6">
      {runs.map(({ run, n_text, minutes_text, pieces }) => (
        <Box
          as="section"
          key={run.id}
          aria-label={run.name}
          borderTop="2px solid"
          borderColor="accent"
          paddingTop="3"
          paddingBottom="5"
          maxWidth="720px"
        >
          <Flex justify="space-between" align="baseline" gap="4" wrap="wrap">
            <Box as="h2" fontSize="19px">
              In a run: {run.name}
            </Box>
            <Box color="ink2">
              {[n_text, minutes_text, run.temperature_c && `${run.temperature_c} °C`]
                .filter(Boolean)
                .join(", ")}
            </Box>
          </Flex>
          <ul>
            {pieces.map((each) => (
              <Flex as="li" key={each.piece_id} gap="3" paddingBlock="1">
                <Box fontWeight={650} minWidth="56px">
                  {each.where}
                </Box>
                {each.exposure_id ? (
                  <Link to={`/log/${each.exposure_id}`}>{each.scene_title}</Link>
                ) : (
                  each.scene_title
                )}
              </Flex>
            ))}
          </ul>
          <Flex gap="3" paddingTop="2" wrap="wrap">
            <Button variant="main" disabled={busy} onClick={() => write(() => openClock(run))}>
              Clock
            </Button>
            <Button disabled={busy} onClick={() => write(() => runDeveloped(run.id))}>
              Developed and fixed
            </Button>
            <Button disabled={busy} onClick={() => write(() => putOff(run.id))}>
              Put off: it never got wet
            </Button>
          </Flex>
        </Box>
      ))}
      <Problem of={problem} />
    </Box>
  );
}
