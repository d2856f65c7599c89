import { Box, Grid } from "@chakra-ui/react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Sheet } from "../../components/Sheet";
import { typedNumber } from "../../components/typedNumber";
import { planQuery } from "./queries";

/** The exposures of a test: what to set for each frame, with a lens and its shutter as measured. */
export function PlanSheet({ ei: usual, close }: { ei: number; close: () => void }) {
  const lenses = (useQuery(kitQuery).data?.lenses ?? []).filter((each) => !each.archived);
  const [lensId, setLensId] = useState("");
  const [ev, setEv] = useState("13");
  const [ei, setEi] = useState(String(usual));
  const [first, setFirst] = useState("-6");
  const [step, setStep] = useState("1");
  const [frames, setFrames] = useState("13");
  const lens = lenses.find((each) => each.id === lensId) ?? lenses[0];
  const plan = useQuery({
    ...planQuery(lens?.id ?? "", {
      ev: typedNumber(ev),
      ei: typedNumber(ei),
      first_stops: typedNumber(first),
      step_stops: typedNumber(step),
      frames: typedNumber(frames),
    }),
    enabled: Boolean(lens),
    retry: false,
    placeholderData: keepPreviousData,
  });
  const field = (label: string, value: string, set: (value: string) => void) => (
    <Entry
      label={label}
      inputMode="text"
      value={value}
      onChange={(event) => set(event.target.value)}
    />
  );
  return (
    <Sheet
      open
      close={close}
      title="Exposure list"
      footer={
        <>
          <Button onClick={() => window.print()}>Print</Button>
          <Button onClick={close}>Close</Button>
        </>
      }
    >
      <Grid templateColumns={{ base: "1fr 1fr", md: "1fr 1fr 1fr" }} gap="4" paddingBottom="4">
        <Choose
          label="Lens"
          value={lens?.id ?? ""}
          options={lenses.map((each) => ({ value: each.id, label: each.name }))}
          onChange={setLensId}
        />
        {field("Card reads, EV", ev, setEv)}
        {field("Meter set to EI", ei, setEi)}
        {field("First frame, from V", first, setFirst)}
        {field("Step, stops", step, setStep)}
        {field("Frames", frames, setFrames)}
      </Grid>
      {lenses.length === 0 && <Notice tone="note">Add a lens to the kit first.</Notice>}
      {plan.error && (
        <Notice tone="refusal" live>
          {plan.error.message}
        </Notice>
      )}
      {plan.data && (
        <>
          <Box
            as="table"
            width="100%"
            css={{ "& td, & th": { padding: "6px 0", textAlign: "left" } }}
          >
            <thead>
              <Box as="tr" color="ink2" fontSize="13px">
                <th>Frame</th>
                <th>from V</th>
                <th>aperture</th>
                <th>time</th>
                <th>
                  <Box as="span" srOnly>
                    remark
                  </Box>
                </th>
              </Box>
            </thead>
            <tbody>
              {plan.data.frames.map((each) => (
                <Box as="tr" key={each.number} borderTop="1px solid" borderColor="line">
                  <td>{each.number}</td>
                  <td>{each.stops_text}</td>
                  <td>
                    <b>{each.aperture}</b>
                  </td>
                  <td>
                    <b>{each.time_text}</b>
                  </td>
                  <Box as="td" color="ochre" fontSize="13px">
                    {each.says}
                  </Box>
                </Box>
              ))}
            </tbody>
          </Box>
          {plan.data.says.map((each) => (
            <Box key={each} color="ink2" paddingTop="2">
              {each}
            </Box>
          ))}
        </>
      )}
    </Sheet>
  );
}
