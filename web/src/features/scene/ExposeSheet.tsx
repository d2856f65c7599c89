import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useRef, useState } from "react";
import { Link } from "react-router";
import { newId, type Refusal, type Schemas } from "../../api/client";
import { preferencesQuery, readyQuery } from "../../api/queries";
import { keepClock } from "../../clock/state";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { apertureFromText, timeFromText } from "../exposure";
import { type Answer, asPlanned, checkGiven, expose, type Given, type Scene } from "./queries";

const SHARES = [
  { value: "1", label: "one exposure" },
  { value: "0.5", label: "½ of a multiple exposure" },
  { value: "0.3333333333333333", label: "⅓ of a multiple exposure" },
  { value: "0.25", label: "¼ of a multiple exposure" },
];

type Ready = Schemas["Ready"];

/** Onto which side or frame, and what was really given; Enter logs it. Long times are counted by the clock. */
export function ExposeSheet({
  scene,
  answer,
  filmName,
  placed,
  close,
  logged,
}: {
  scene: Scene;
  answer: Answer;
  filmName: string;
  /** what is placed, to be read again when the light changes */
  placed: string;
  close: () => void;
  logged: (said: string) => void;
}) {
  const client = useQueryClient();
  const ready = useQuery(readyQuery);
  const after = useQuery(preferencesQuery).data?.after;
  const [share, setShare] = useState("1");
  // of a roll only the frame in the gate can be exposed
  const all = (ready.data ?? []).filter((each) => each.film_id === scene.film_id && each.in_gate);
  const open = (each: Ready) => each.state === "exposed" && each.share_given < 0.999;
  const fits = (each: Ready) => each.state === "loaded" || (share !== "1" && open(each));
  const sides = all.filter(fits).sort((a, b) => b.share_given - a.share_given);
  const id = useRef(newId());
  const [where, setWhere] = useState<string | null>(null);
  const planned = answer.set.text.replace(/ s$/, "");
  const [time, setTime] = useState<string | null>(null);
  const [aperture, setAperture] = useState(answer.set.aperture.replace("f/", ""));
  const [note, setNote] = useState("");
  const [problem, setProblem] = useState<{ field: string; message: string } | null>(null);
  const [busy, setBusy] = useState(false);
  const typed = where ?? sides[0]?.where ?? "";
  const side = sides.find((each) => each.where === typed.trim().toUpperCase());
  const lens = !scene.pinhole_id && aperture !== answer.set.aperture.replace("f/", "");
  const given: Given = {
    ...asPlanned(scene, id.current, side?.piece_id ?? ""),
    time: time === null || (share === "1" && time === planned) ? null : timeFromText(time),
    aperture: lens ? apertureFromText(aperture) : null,
    note,
    share: Number(share),
  };
  const different = given.time !== null || given.aperture !== null || given.share !== 1;
  const check = useQuery({
    queryKey: ["given", scene, given],
    queryFn: () => checkGiven({ ...given, piece_id: "any", note: "" }),
    enabled: different,
    retry: false,
  });

  const noSide = () => {
    const offered = sides.map((each) => each.where).join(", ");
    setProblem({
      field: "side",
      message: `${typed.trim().toUpperCase() || "Nothing"} is not unexposed film of ${filmName}; choose from ${offered}.`,
    });
  };
  const log = async (event: FormEvent) => {
    event.preventDefault();
    if (!side?.piece_id) return noSide();
    setBusy(true);
    try {
      await expose(given);
      await client.invalidateQueries();
      const said = check.data && different ? check.data.time_text : answer.set.text;
      logged(`${side.where} exposed: ${said} at f/${aperture}`);
      close();
    } catch (refusal) {
      const { message, field } = refusal as Refusal;
      setProblem({ field: field ?? "side", message });
    } finally {
      setBusy(false);
    }
  };
  const startClock = () => {
    if (!side?.piece_id) return noSide();
    const timed = different ? check.data : undefined;
    keepClock({
      given: { ...given, time: null },
      where: side.where,
      title: scene.title,
      setText: `f/${aperture}, ${timed?.time_text ?? answer.set.text}`,
      placed,
      metered_s: timed?.metered_s ?? answer.metered_s,
      now_metered_s: timed?.metered_s ?? answer.metered_s,
      intervals: [],
      left_s: timed?.seconds ?? answer.set.seconds,
      since: null,
      phase: "ready",
    });
    close();
  };

  if (!ready.data) return null;
  if (all.filter((each) => each.state === "loaded").length === 0 && sides.length === 0) {
    const again = all.some(open);
    return (
      <Sheet
        open
        close={close}
        title="No sheet to expose"
        footer={
          <>
            {again && (
              <Button onClick={() => setShare("0.5")}>Go on with a multiple exposure</Button>
            )}
            <Button onClick={close}>Close</Button>
          </>
        }
      >
        No unexposed side or frame is {filmName}.{" "}
        <Link to="/film">Load a holder or a roll in Film</Link>, or choose a film that is loaded.
      </Sheet>
    );
  }
  const byHand = answer.set.means === "bulb";
  const fieldOf = (name: string) =>
    problem?.field === name
      ? problem.message
      : different && check.error && (check.error as Refusal).field === name
        ? check.error.message
        : null;
  return (
    <Sheet
      open
      close={close}
      title={`Expose ${filmName}`}
      footer={
        <>
          <Button onClick={close}>Not yet</Button>
          {byHand && (
            <Button onClick={startClock} disabled={different && !check.data}>
              Clock
            </Button>
          )}
          <Button variant="main" type="submit" form="expose" disabled={busy}>
            Log exposure
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4" as="form" id="expose" onSubmit={log}>
        <Entry
          label="Side or frame"
          value={typed}
          onFocus={(event) => event.target.select()}
          onChange={(event) => setWhere(event.target.value)}
          problem={fieldOf("side") ?? fieldOf("piece_id")}
          autoFocus
        />
        <Flex wrap="wrap" gap="2" role="group" aria-label="Loaded film of this kind">
          {sides.map((each) => (
            <Button
              key={each.where}
              type="button"
              minWidth="56px"
              paddingInline="2"
              borderWidth="1px"
              aria-pressed={each.where === typed.toUpperCase()}
              variant={each.where === typed.toUpperCase() ? "main" : "plain"}
              onClick={() => setWhere(each.where)}
            >
              {each.where}
              {each.state === "exposed" && " again"}
            </Button>
          ))}
        </Flex>
        {side?.doubt && <Notice tone="caution">{side.doubt}</Notice>}
        <Grid templateColumns="1fr 1fr" gap="4">
          <Entry
            label="Time given"
            help="s, m:ss, or 1/60"
            value={time ?? (share === "1" ? planned : (check.data?.time_text ?? ""))}
            onChange={(event) => setTime(event.target.value)}
            problem={fieldOf("time")}
          />
          <Entry
            label="Aperture given"
            value={aperture}
            disabled={Boolean(scene.pinhole_id)}
            onChange={(event) => setAperture(event.target.value)}
            problem={fieldOf("aperture")}
          />
        </Grid>
        {different && check.data && (
          <Box fontSize="14px" color="ink2" data-check>
            {check.data.time_text}: {check.data.error_text}, {check.data.n_text}
          </Box>
        )}
        {different &&
          check.data?.advice.map((each) => (
            <Notice key={each.code} tone={each.severity}>
              {each.text}
            </Notice>
          ))}
        <Grid templateColumns="1fr 1fr" gap="4">
          <Choose
            label="This is"
            value={share}
            options={SHARES}
            onChange={(value) => {
              setShare(value);
              setTime(null);
            }}
            problem={fieldOf("share")}
          />
          <Entry
            label="Note"
            value={note}
            onChange={(event) => setNote(event.target.value)}
            problem={fieldOf("note")}
          />
        </Grid>
        {problem &&
          !["side", "piece_id", "time", "aperture", "note", "share"].includes(problem.field) && (
            <Problem text={problem.message} />
          )}
        <Box fontSize="14px" color="ink2">
          {after && `Afterwards: ${after}.`}
        </Box>
      </Flex>
    </Sheet>
  );
}
