import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import type { Schemas } from "../../api/calls";
import { kitQuery } from "../../api/queries";
import { keepRun, READY, readRun, show } from "../../clock/run";
import { Button } from "../../components/Button";
import { Problem } from "../../components/Problem";
import { Quiet } from "../../components/text";
import { FileLink } from "../../shared/FileLink";
import { mixingAt } from "../../shared/mixingAt";
import { useWrite } from "../../shared/useWrite";
import { DevelopedSheet } from "./DevelopedSheet";
import { courseOf, leaveRun, runDeveloped } from "./queries";

/** The run's clock, laid over everything, as it stands if it was begun. */
async function openClock(run: Schemas["Run"]) {
  if (readRun(run.id) !== null) return show(run.id);
  const { process, mix_text, heard, cautions, minds } = await courseOf(run.id);
  keepRun({
    run_id: run.id,
    title: run.name,
    began_c: run.temperature_c ?? 20,
    steps: process.steps,
    heard,
    cautions,
    minds: [...minds],
    mix: mix_text,
    ...READY,
  });
}

/** Film that is in a run: developed it is when fixed, put off as long as it is dry. */
export function Runs({ runs }: { runs: Schemas["RunView"][] }) {
  const bottles = useQuery(kitQuery).data?.bottles ?? [];
  const kindsOf = (ids: string[]) =>
    bottles.filter((each) => ids.includes(each.id)).map((each) => each.kind);
  const { problem, write, ask, busy } = useWrite();
  const [done, setDone] = useState<Schemas["RunView"] | null>(null);
  return (
    <Box paddingTop="6">
      {runs.map((view) => {
        const { run, n_text, minutes_text, temperature_text, area_in2, pieces } = view;
        return (
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
                {run.laboratory ? `Sent to ${run.laboratory}` : `In a run: ${run.name}`}
              </Box>
              <Quiet>{[n_text, minutes_text, temperature_text].filter(Boolean).join(", ")}</Quiet>
            </Flex>
            <ul>
              {pieces.map((each) => (
                <Flex as="li" key={each.piece_id} gap="3" paddingBlock="1">
                  <Box fontWeight={650} minWidth="56px">
                    {each.where}
                  </Box>
                  {each.exposure_id ? (
                    <Link
                      to={`/log/${each.exposure_id}`}
                      aria-label={`${each.scene_title}, ${each.where}`}
                    >
                      {each.scene_title}
                    </Link>
                  ) : (
                    each.scene_title
                  )}
                  {each.part_text && <Quiet>{each.part_text}</Quiet>}
                </Flex>
              ))}
            </ul>
            <Flex gap="3" paddingTop="2" wrap="wrap" align="center">
              {!run.laboratory && (
                <Button variant="main" disabled={busy} onClick={() => ask(() => openClock(run))}>
                  Open run clock
                </Button>
              )}
              <Button
                disabled={busy}
                onClick={() =>
                  run.went || run.laboratory ? write(runDeveloped(run.id, null)) : setDone(view)
                }
              >
                {run.laboratory ? "Back, developed" : "Mark developed"}
              </Button>
              <Button disabled={busy} onClick={() => write(leaveRun(run.id))}>
                {run.laboratory ? "Not sent after all" : "Cancel run (film dry)"}
              </Button>
              {run.laboratory && (
                <FileLink
                  href={`/api/darkroom/runs/${run.id}/slip.pdf`}
                  label={`Slip for ${run.laboratory} (PDF)`}
                >
                  Slip (PDF)
                </FileLink>
              )}
              {run.recipe_id && run.tank_id && run.line_id && (
                <Link
                  to={mixingAt(run, area_in2, kindsOf(run.bottle_ids))}
                  aria-label={`Mixing sheet for ${run.name}`}
                >
                  Mixing sheet
                </Link>
              )}
              {run.minutes != null && (
                <FileLink
                  href={`/api/darkroom/runs/${run.id}/sheet.pdf`}
                  label={`Run sheet for ${run.name} (PDF)`}
                >
                  Run sheet (PDF)
                </FileLink>
              )}
            </Flex>
          </Box>
        );
      })}
      {done && <DevelopedSheet view={done} close={() => setDone(null)} />}
      <Problem of={problem} />
    </Box>
  );
}
