import { Box, Grid } from "@chakra-ui/react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { newId } from "../../api/newId";
import { kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choose, named } from "../../components/Choose";
import { count } from "../../components/count";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { Refusals } from "../../components/refused";
import { Sheet } from "../../components/Sheet";
import { Table } from "../../components/Table";
import { typedNumber } from "../../components/typedNumber";
import { offered } from "../../shared/offered";
import { useWrite } from "../../shared/useWrite";
import { exposeStrip, planQuery, type TestView, testFilmQuery } from "./queries";
import { TakeBracket } from "./TakeBracket";

/** The exposures of a test: what to set for each frame, with a lens and its shutter as measured; and
    the same frames logged on film that lies ready. */
export function FramesSheet({ view, close }: { view: TestView; close: () => void }) {
  const { test } = view;
  const lenses = offered(useQuery(kitQuery).data?.lenses);
  const there = useQuery(testFilmQuery(test.id)).data;
  const ready = there?.unexposed ?? [];
  const full = there?.full_text ?? "";
  const exposure = test.curves?.[0]?.exposure;
  const two = test.target === "Zone I and Zone VIII";
  const [lensId, setLensId] = useState("");
  const [ev, setEv] = useState("13");
  const [ei, setEi] = useState(exposure?.kind === "metered" ? String(exposure.ei) : "100");
  const [first, setFirst] = useState(two ? "-4" : "-6");
  const [step, setStep] = useState(two ? "7" : "1");
  const [frames, setFrames] = useState(two ? "2" : "13");
  const [minutes, setMinutes] = useState("");
  const [film, setFilm] = useState(0);
  const { write, problem, busy } = useWrite(close);
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
  const chosen = ready[film];
  const wanted = plan.data?.frames.length ?? 0;
  const enough = chosen !== undefined && chosen.piece_ids.length >= wanted;
  const log = () => {
    if (!lens || !chosen) return;
    void write(
      exposeStrip(test.id, {
        bracket_id: newId(),
        lens_id: lens.id,
        ev: typedNumber(ev),
        ei: typedNumber(ei),
        first_stops: typedNumber(first),
        step_stops: typedNumber(step),
        minutes: typedNumber(minutes),
        piece_ids: chosen.piece_ids.slice(0, wanted),
        given: [], // as the list says
      }),
    );
  };
  const field = (label: string, value: string, set: (value: string) => void) => (
    <Entry label={label} inputMode="text" value={value} onText={set} />
  );
  return (
    <Refusals of={problem}>
      <Sheet
        open
        close={close}
        title="Exposure list"
        footer={
          <>
            <Button onClick={() => window.print()}>Print</Button>
            <Button onClick={close}>Close</Button>
            <Button
              variant="main"
              disabled={busy || !enough || !minutes || !wanted || Boolean(full)}
              onClick={log}
            >
              Log these frames
            </Button>
          </>
        }
      >
        <Grid templateColumns={{ base: "1fr 1fr", md: "1fr 1fr 1fr" }} gap="4" paddingBottom="4">
          <Choose
            label="Lens"
            value={lens?.id ?? ""}
            options={named(lenses)}
            onChange={setLensId}
          />
          {field("Card reads, EV", ev, setEv)}
          {field("Meter set to EI", ei, setEi)}
          {field("First frame, from V", first, setFirst)}
          {field("Step, stops", step, setStep)}
          {field("Frames", frames, setFrames)}
        </Grid>
        {full && <Notice tone="note">{full}</Notice>}
        {lenses.length === 0 && <Notice tone="note">Add a lens to the kit first.</Notice>}
        {plan.error && (
          <Notice tone="refusal" live>
            {plan.error.message}
          </Notice>
        )}
        {plan.data && (
          <>
            <Table
              heads={["Frame", "from V", "aperture", "time"]}
              lines={plan.data.frames.map((each) => ({
                id: each.number,
                cells: [
                  each.number,
                  each.stops_text,
                  <b key="aperture">{each.aperture}</b>,
                  <b key="time">{each.time_text}</b>,
                ],
                says: each.says,
              }))}
            />
            {plan.data.says.map((each) => (
              <Box key={each} color="ink2" paddingTop="2">
                {each}
              </Box>
            ))}
          </>
        )}
        <Box as="section" aria-label="Film for these frames" paddingTop="4">
          <Grid templateColumns={{ base: "1fr", md: "1fr 1fr" }} gap="4">
            {ready.length > 0 && (
              <Choose
                label="On film"
                value={String(film)}
                options={ready.map((each, place) => ({
                  value: String(place),
                  label: `${each.label} (${count(each.piece_ids.length, "frame")})`,
                }))}
                onChange={(value) => setFilm(Number(value))}
              />
            )}
            {ready.length > 0 && (
              <Entry
                label="To be developed, minutes"
                inputMode="decimal"
                value={minutes}
                onText={setMinutes}
                field="minutes"
              />
            )}
          </Grid>
          {ready.length === 0 && (
            <Notice tone="note">
              No unexposed {view.film_name} is loaded: load it in Film, and the frames can be logged
              from here.
            </Notice>
          )}
          {chosen && !enough && wanted > 0 && (
            <Box paddingTop="3">
              <Notice tone="note">
                {count(chosen.piece_ids.length, "frame")} left there, and the list has {wanted}.
              </Notice>
            </Box>
          )}
          <Problem of={problem} />
        </Box>
        {there && there.brackets.length > 0 && (
          <TakeBracket test_id={test.id} brackets={there.brackets} close={close} />
        )}
      </Sheet>
    </Refusals>
  );
}
