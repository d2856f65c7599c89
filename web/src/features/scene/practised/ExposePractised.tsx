import { Grid } from "@chakra-ui/react";
import { useState } from "react";
import { Entry } from "../../../components/Entry";
import { Small } from "../../../components/text";
import { FormSheet } from "../../../shared/FormSheet";
import { useWrite } from "../../../shared/useWrite";
import type { Solution } from "../queries";
import { exposePractised, type PractisedView, type Shot } from "./queries";
import { Shutter } from "./Shutter";

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
  const writing = useWrite(close);
  const pinhole = Boolean(practised.view.scene.pinhole_id);
  const expose = () => {
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
    void writing.write(exposePractised(practised.id, shot));
  };
  return (
    <FormSheet
      close={close}
      title="Expose in practice"
      writing={writing}
      keep={expose}
      says="Expose and develop"
    >
      <Grid templateColumns="1fr 1fr" gap="4">
        <Entry
          label="Time given"
          help="s, m:ss, or 1/60"
          value={time}
          onText={setTime}
          field="given_s"
          autoFocus
        />
        <Entry
          label="Aperture given"
          value={aperture}
          disabled={pinhole}
          onText={setAperture}
          field="aperture"
        />
      </Grid>
      <Shutter counted={(seconds) => setTime(String(seconds))} />
      {by_hand && (
        <Grid templateColumns="1fr 1fr" gap="4">
          <Entry
            label="Filter counted as"
            help="stops; empty is none"
            value={filter}
            onText={setFilter}
            field="filter_stops"
          />
          <Entry
            label="Bellows counted as"
            help="stops; empty is none"
            value={bellows}
            onText={setBellows}
            field="bellows_stops"
          />
          <Entry
            label="Your sum, long light in it"
            help="before the shutter’s marks"
            value={sum}
            onText={setSum}
            field="computed_s"
          />
        </Grid>
      )}
      <Entry label="Developed for" help="as in N or N−1" value={n} onText={setN} field="n" />
      <Small>Nothing of this enters your log, your stock or what your negatives teach.</Small>
    </FormSheet>
  );
}
