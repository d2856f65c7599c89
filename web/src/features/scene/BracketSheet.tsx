import { Box, Grid } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { lazy, Suspense, useMemo, useRef, useState } from "react";
import { newId } from "../../api/newId";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Quiet, Small } from "../../components/text";
import { OFFERED } from "../../service/service";
import { FormSheet } from "../../shared/FormSheet";
import { useWrite } from "../../shared/useWrite";
import { Doubts } from "./Doubts";
import {
  asPlanned,
  bracketQuery,
  logBracket,
  type Scene,
  type SceneView,
  type Solution,
} from "./queries";

const SmallPrints = lazy(() => import("./picture/SmallPrints"));
/** So many frames are seen as prints at once. */
const MOST_SEEN = 7;

const STEPS = [
  { value: "0.3333333333333333", label: "⅓ stop" },
  { value: "0.5", label: "½ stop" },
  { value: "1", label: "1 stop" },
  { value: "2", label: "2 stops" },
];

/** A bracket: its frames in real stops, most exposure first, each on a sheet of its own, logged together. */
export function BracketSheet({
  scene,
  picture,
  plan,
  filmName,
  close,
  logged,
}: {
  scene: Scene;
  picture: SceneView["picture"];
  plan: Solution["plan"];
  filmName: string;
  close: () => void;
  logged: (said: string) => void;
}) {
  const [step, setStep] = useState("1");
  const [frames, setFrames] = useState("3");
  const [side, setSide] = useState<"both" | "over" | "under">("both");
  const [typed, setTyped] = useState<string | null>(null);
  const [happened, setHappened] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const ids = useRef({ bracket: newId(), frames: Array.from({ length: 15 }, newId) });
  const asked = {
    scene,
    step_stops: Number(step),
    frames: Number(frames),
    side,
    sides: typed ?? "",
  };
  const { data, error } = useQuery(bracketQuery(asked));
  const client = useQueryClient();
  const writing = useWrite(close);
  const { write, ask } = writing;
  const count = data?.frames.length ?? 0;
  const ways = useMemo(
    () =>
      (data?.frames ?? []).slice(0, MOST_SEEN).map((frame) => ({
        id: `frame ${frame.stops}`,
        name: frame.stops_text,
        error_stops: frame.stops,
      })),
    [data],
  );

  const log = async () => {
    const now = await ask(() => client.fetchQuery(bracketQuery(asked)));
    setRefused(now?.film.refusal || null);
    if (!now || now.film.refusal) return;
    const given = now.frames.map((frame, place) => ({
      ...asPlanned(scene, plan, ids.current.frames[place] ?? "", now.film.piece_ids[place] ?? ""),
      aperture: frame.aperture,
      bracket_stops: frame.stops,
      happened: happened && now.doubts.length > 0,
    }));
    void write(logBracket(ids.current.bracket, given), {
      at_once: () =>
        logged(`Bracket of ${now.frames.length} logged on ${now.film.where.join(", ")}`),
    });
  };
  return (
    <FormSheet
      close={close}
      title={`Bracket on ${filmName}`}
      writing={writing}
      keep={() => void log()}
      says={<>Log {count || ""} exposures</>}
      unready={!data || Boolean(error) || (data.doubts.length > 0 && !happened)}
    >
      <Grid templateColumns={{ base: "1fr 1.6fr 0.8fr", md: "1fr 1fr 1fr" }} gap="3">
        <Choose label="Step" value={step} options={STEPS} onChange={setStep} />
        <Choose
          label="To"
          value={side}
          options={OFFERED.bracket_sides}
          onChange={(value) => setSide(value as typeof side)}
        />
        <Entry
          label="Frames"
          inputMode="numeric"
          value={frames}
          onText={setFrames}
          problem={error ? error.message : null}
        />
      </Grid>
      {data && (
        <Box as="ol" aria-label="Frames, most exposure first">
          {data.frames.map((frame, place) => (
            <Grid
              as="li"
              key={frame.stops}
              templateColumns="32px 64px 1fr auto"
              borderBottom="1px solid"
              borderColor="line"
              minHeight="36px"
              alignItems="center"
            >
              <Quiet>{place + 1}</Quiet>
              <Box>{frame.stops_text}</Box>
              <Box fontWeight={600}>
                {frame.aperture_text}, {frame.text}
                {frame.error_text && (
                  <Box as="span" color="ink2" fontWeight={400} fontSize="13px">
                    {" "}
                    {frame.error_text}
                  </Box>
                )}
                {frame.extrapolated && (
                  <Box as="span" color="ochre" fontWeight={400} fontSize="13px">
                    {" "}
                    beyond the film's data
                  </Box>
                )}
              </Box>
              <Quiet>{data.film.where[place] ?? "no sheet"}</Quiet>
            </Grid>
          ))}
        </Box>
      )}
      {picture && ways.length > 0 && (
        <Suspense fallback={<Box minHeight="90px" />}>
          <SmallPrints
            scene={scene}
            picture={picture}
            ways={ways}
            columns="repeat(auto-fill, minmax(108px, 1fr))"
            named
          />
        </Suspense>
      )}
      {data?.advice.map((each) => (
        <Notice key={each.code} tone={each.severity}>
          {each.text}
        </Notice>
      ))}
      <Entry
        label="Sides or frames of a roll, most exposure first"
        value={typed ?? data?.film.where.join(" ") ?? ""}
        onText={setTyped}
        problem={refused}
      />
      <Doubts
        doubts={data?.doubts ?? []}
        ei={plan?.request.ei}
        happened={happened}
        say={setHappened}
      />
      {data && (
        <Small>
          Uses {data.uses}
          {data.price_text && `, ${data.price_text} of film`}. Most exposure first, so that the
          frames can be told apart in the dark.
        </Small>
      )}
    </FormSheet>
  );
}
