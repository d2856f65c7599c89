import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { newId } from "../../api/newId";
import { Button } from "../../components/Button";
import { count } from "../../components/count";
import { FileButton } from "../../components/FileButton";
import { Problem } from "../../components/Problem";
import { Small } from "../../components/text";
import { useWrite } from "../../shared/useWrite";
import { CurveForm } from "./CurveForm";
import { FramesSheet } from "./FramesSheet";
import { putIntoRun, putTest, readCurves, type TestView, type Worked } from "./queries";

/** The developments of a test: what each waits for, its film, its densities. */
export function Developments({ view, worked }: { view: TestView; worked: Worked }) {
  const { test } = view;
  const curves = test.curves ?? [];
  const [curve, setCurve] = useState<number | null>(null);
  const [planning, setPlanning] = useState(false);
  const { write, ask, problem, busy } = useWrite();
  const bringIn = async (file: File | undefined) => {
    if (!file) return;
    const found = await ask(async () => readCurves(await file.text()));
    if (!found) return;
    const named = new Set(found.map((each) => each.id));
    const kept = curves.filter((each) => !named.has(each.id));
    await write(putTest({ ...test, curves: [...kept, ...found] }, view.version));
  };
  return (
    <Box as="section" aria-label="Developments">
      <Flex justify="space-between" align="center" wrap="wrap">
        <Box as="h2" fontSize="17px" fontWeight={600}>
          Developments
        </Box>
        <Flex gap="2" wrap="wrap">
          <Button variant="quiet" onClick={() => setPlanning(true)}>
            Exposure list
          </Button>
          <FileButton
            name="File of curves"
            accept=".csv,.txt,text/csv,text/plain"
            quiet
            take={([file]) => void bringIn(file)}
          >
            Import curves
          </FileButton>
          <Button onClick={() => setCurve(curves.length)}>Add a development</Button>
        </Flex>
      </Flex>
      <Box as="ul">
        {worked.lines.map((each, place) => {
          const strip = test.strips?.find((known) => known.curve_id === each.id);
          return (
            <Flex
              as="li"
              key={each.id}
              justify="space-between"
              align="center"
              gap="4"
              minHeight="52px"
              borderBottom="1px solid"
              borderColor="line"
            >
              <Box>
                <b>{each.minutes_text}</b>
                <Box as="span" color={each.points.length ? "ink2" : "ochre"}>
                  {" "}
                  {each.steps_text}
                </Box>
                {strip && (
                  <Small>
                    {count(strip.piece_ids.length, "frame")} exposed
                    {strip.run_id ? ", in a run" : ""}
                  </Small>
                )}
                {each.problem && <Box color="brick">{each.problem}</Box>}
              </Box>
              <Flex gap="2" wrap="wrap" justify="flex-end">
                {strip && !strip.run_id && (
                  <Button
                    disabled={busy}
                    aria-label={`Set up a run for ${each.id}`}
                    onClick={() =>
                      void write(
                        putIntoRun(test.id, each.id, {
                          run_id: newId(),
                          name: `${view.film_name}, ${each.id}, test`.slice(0, 80),
                        }),
                      )
                    }
                  >
                    Set up run
                  </Button>
                )}
                <Button
                  variant="quiet"
                  aria-label={`Change ${each.id}`}
                  onClick={() => setCurve(place)}
                >
                  Change
                </Button>
              </Flex>
            </Flex>
          );
        })}
      </Box>
      <Problem of={problem} />
      {planning && <FramesSheet view={view} close={() => setPlanning(false)} />}
      {curve !== null && <CurveForm view={view} place={curve} close={() => setCurve(null)} />}
    </Box>
  );
}
