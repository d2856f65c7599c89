import { Box, Flex, Grid } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { Button } from "../../../components/Button";
import { Entry } from "../../../components/Entry";
import { Problem } from "../../../components/Problem";
import { Sheet } from "../../../components/Sheet";
import { useWrite } from "../../../shared/useWrite";
import type { Solution } from "../queries";
import { exposePractised, type PractisedView, type Shot } from "./queries";
import { Shutter } from "./Shutter";

const FIELDS = ["given_s", "aperture", "n", "filter_stops", "bellows_stops", "computed_s"];

/** What is given and how it is developed; by hand also what one counted. Enter exposes. */
export function ExposePractised({
  practised,
  solution,
  minutes,
  close,
}: {
  practised: PractisedView;
  solution: Solution;
  minutes: number;
  close: () => void;
}) {
  const { by_hand } = practised;
  const { answer } = solution;
  const set = answer?.set;
  const [time, setTime] = useState(by_hand ? "" : (set?.text.replace(/ s$/, "") ?? ""));
  const [aperture, setAperture] = useState(set?.aperture.replace("f/", "") ?? "");
  const [n, setN] = useState(by_hand ? "" : (answer?.development.n_text ?? "N"));
  const [filter, setFilter] = useState("");
  const [bellows, setBellows] = useState("");
  const [sum, setSum] = useState("");
  const { write, problem, busy, at } = useWrite(close);
  const pinhole = Boolean(practised.view.scene.pinhole_id);
  const expose = (event: FormEvent) => {
    event.preventDefault();
    const mark = aperture !== set?.aperture.replace("f/", "") && !pinhole ? aperture : null;
    const shot = {
      given_s: time,
      aperture: mark,
      minutes,
      n: n.trim() || null,
      filter_stops: filter.trim() || (by_hand ? 0 : null),
      bellows_stops: bellows.trim() || (by_hand ? 0 : null),
      computed_s: sum.trim() || null,
    } as unknown as Shot; // what is typed goes out as text
    void write(exposePractised(practised.id, shot));
  };
  return (
    <Sheet
      open
      close={close}
      title="Expose in practice"
      footer={
        <>
          <Button onClick={close}>Cancel</Button>
          <Button variant="main" type="submit" form="practise" disabled={busy}>
            Expose and develop
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4" as="form" id="practise" onSubmit={expose}>
        <Grid templateColumns="1fr 1fr" gap="4">
          <Entry
            label="Time given"
            help="s, m:ss, or 1/60"
            value={time}
            onChange={(event) => setTime(event.target.value)}
            problem={at("given_s")}
            autoFocus
          />
          <Entry
            label="Aperture given"
            value={aperture}
            disabled={pinhole}
            onChange={(event) => setAperture(event.target.value)}
            problem={at("aperture")}
          />
        </Grid>
        <Shutter counted={(seconds) => setTime(String(seconds))} />
        {by_hand && (
          <Grid templateColumns="1fr 1fr" gap="4">
            <Entry
              label="Filter counted as"
              help="stops; empty is none"
              value={filter}
              onChange={(event) => setFilter(event.target.value)}
              problem={at("filter_stops")}
            />
            <Entry
              label="Bellows counted as"
              help="stops; empty is none"
              value={bellows}
              onChange={(event) => setBellows(event.target.value)}
              problem={at("bellows_stops")}
            />
            <Entry
              label="Your sum, long light in it"
              help="before the shutter’s marks"
              value={sum}
              onChange={(event) => setSum(event.target.value)}
              problem={at("computed_s")}
            />
          </Grid>
        )}
        <Entry
          label="Developed for"
          help="as in N or N−1"
          value={n}
          onChange={(event) => setN(event.target.value)}
          problem={at("n")}
        />
        <Problem of={problem} fields={FIELDS} />
        <Box fontSize="14px" color="ink2">
          Nothing of this enters your log, your stock or what your negatives teach.
        </Box>
      </Flex>
    </Sheet>
  );
}
