import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Button } from "../../../components/Button";
import { Choose } from "../../../components/Choose";
import { Entry } from "../../../components/Entry";
import { typedIn, typedNumber } from "../../../components/typedNumber";
import { moversQuery, type Scene, type Solution } from "../queries";
import type { WordProps } from "./props";
import { Refused } from "./Said";
import { useKeep } from "./useKeep";
import { Word } from "./Word";

/** How deep it must be sharp, and what moves: both rule out apertures and times. */
export function SharpWord({ scene, solution, edit }: WordProps) {
  const wrong = solution?.problem?.field?.match(/^(depth|movement)/);
  return (
    <Word
      label="Depth and movement"
      named={!solution?.sharp.says}
      value={solution?.sharp.says || "not set"}
      problem={wrong ? "depth" : null}
    >
      {(close) =>
        solution && <SharpChoices scene={scene} said={solution.sharp} edit={edit} close={close} />
      }
    </Word>
  );
}

function SharpChoices({
  scene,
  said,
  edit,
  close,
}: {
  scene: Scene;
  /** what stands in each field */
  said: Solution["sharp"];
  edit: WordProps["edit"];
  close: () => void;
}) {
  const { keep, problem } = useKeep(edit, close);
  const { depth, movement } = scene;
  const [kind, setKind] = useState<"" | "spread" | "limits">(depth?.kind ?? "");
  const [spread, setSpread] = useState(said.spread);
  const [near, setNear] = useState(said.near);
  const [far, setFar] = useState(said.far);
  const movers = useQuery(moversQuery).data ?? {};
  const [mover, setMover] = useState(movement ? movement.what || "own" : "");
  const [speed, setSpeed] = useState(said.speed);
  const [away, setAway] = useState(said.away);
  const [flows, setFlows] = useState(said.times !== "");
  const [times, setTimes] = useState(said.times || "30");
  const metres = (text: string) => typedIn(text, "m");
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void keep(
      {
        kind: "depth",
        depth:
          kind === "spread"
            ? { kind, focus_spread_mm: typedNumber(spread) }
            : kind === "limits"
              ? { kind, near_mm: metres(near), far_mm: metres(far.trim() || "horizon") }
              : null,
      },
      {
        kind: "movement",
        movement: mover
          ? {
              what: mover === "own" ? "" : mover,
              speed_mm_s: movers[mover] ?? typedNumber(speed),
              distance_mm: away.trim() ? metres(away) : null,
              blur_times: flows ? typedNumber(times) : null,
            }
          : null,
      },
    );
  };
  return (
    <Flex as="form" direction="column" gap="3" onSubmit={submit}>
      <Choose
        label="Depth that must be sharp"
        value={kind}
        options={[
          { value: "", label: "not set" },
          { value: "spread", label: "focus spread on the ground glass" },
          { value: "limits", label: "from near to far" },
        ]}
        onChange={(value) => setKind(value as typeof kind)}
      />
      {kind === "spread" && (
        <Entry
          label="Near to far focus, mm"
          inputMode="decimal"
          value={spread}
          onText={setSpread}
        />
      )}
      {kind === "limits" && (
        <Grid templateColumns="1fr 1fr" gap="3">
          <Entry label="Near, m" inputMode="decimal" value={near} onText={setNear} />
          <Entry
            label="Far, m"
            help="empty: the horizon"
            inputMode="decimal"
            value={far}
            onText={setFar}
          />
        </Grid>
      )}
      <Choose
        label="What moves"
        value={mover}
        options={[
          { value: "", label: "nothing moves" },
          ...Object.keys(movers).map((name) => ({ value: name, label: name })),
          { value: "own", label: "another speed" },
        ]}
        onChange={setMover}
      />
      {mover === "own" && (
        <Entry
          label="Speed across the view, mm/s"
          inputMode="decimal"
          value={speed}
          onText={setSpeed}
        />
      )}
      {mover && (
        <Entry
          label="How far away, m"
          help="empty: where the focus is"
          inputMode="decimal"
          value={away}
          onText={setAway}
        />
      )}
      {mover && (
        <Choose
          label="It shall"
          value={flows ? "flow" : "sharp"}
          options={[
            { value: "sharp", label: "be sharp" },
            { value: "flow", label: "flow: be blurred" },
          ]}
          onChange={(to) => setFlows(to === "flow")}
        />
      )}
      {mover && flows && (
        <Entry
          label="How many times the sharp time, at least"
          help="10: it shows; 30: it flows; 300: it is mist"
          inputMode="decimal"
          value={times}
          onText={setTimes}
        />
      )}
      <Refused text={problem} />
      <Box fontSize="13px" color="ink2">
        The blur allowed goes by the camera's format, or by what Preferences say.
      </Box>
      <Button type="submit" variant="main">
        Set
      </Button>
    </Flex>
  );
}
