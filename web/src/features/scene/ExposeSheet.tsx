import { Flex, Grid } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link } from "wouter";
import { newId } from "../../api/newId";
import { wayQuery } from "../../api/queries";
import type { Refusal } from "../../api/refusal";
import { keepClock, remindersOf } from "../../clock/state";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Small } from "../../components/text";
import { typedIn } from "../../components/typedNumber";
import { OFFERED } from "../../service/service";
import { apertureText } from "../../shared/aperture";
import { FormSheet } from "../../shared/FormSheet";
import { useWrite } from "../../shared/useWrite";
import { Doubts } from "./Doubts";
import {
  type Answer,
  asPlanned,
  checkQuery,
  expose,
  fittingQuery,
  type Given,
  type Scene,
  type Solution,
} from "./queries";

const SHARES = [
  { value: "1", label: "one exposure" },
  { value: "0.5", label: "½ of a multiple exposure" },
  { value: "0.3333333333333333", label: "⅓ of a multiple exposure" },
  { value: "0.25", label: "¼ of a multiple exposure" },
];
const NO_HOLDER = "no holder";

/** Onto which side or frame, and what was really given; Enter logs it. Long times are counted by the clock. */
export function ExposeSheet({
  scene,
  answer,
  plan,
  filmName,
  placed,
  light,
  close,
  logged,
}: {
  scene: Scene;
  answer: Answer;
  /** what is exposed by, as it is shown: whatever becomes of the scene meanwhile */
  plan: Solution["plan"];
  filmName: string;
  /** what is placed, to be read again when the light changes */
  placed: string;
  /** how fast the light changes now */
  light: string;
  close: () => void;
  logged: (said: string) => void;
}) {
  const reminders = useQuery(wayQuery).data?.reminders;
  const [share, setShare] = useState("1");
  const [shareOf, setShareOf] = useState<Given["share_of"]>("one_scene");
  const id = useRef(newId());
  const sheet = useRef(newId());
  const [where, setWhere] = useState<string | null>(null);
  const asked = fittingQuery(scene, Number(share), where ?? "");
  const film = useQuery(asked).data;
  const client = useQueryClient();
  const planned = answer.set.text.replace(/ s$/, "");
  const [time, setTime] = useState<string | null>(null);
  const [aperture, setAperture] = useState(answer.set.aperture.replace("f/", ""));
  const [note, setNote] = useState("");
  const [happened, setHappened] = useState(false);
  const [noSide, setNoSide] = useState<string | null>(null);
  const writing = useWrite(close);
  const { problem, write, ask } = writing;
  const typed = where ?? film?.now[0]?.where ?? NO_HOLDER;
  const unplaced = film?.meant.unplaced ?? false;
  const side = film?.meant.piece;
  const reminded = remindersOf(side?.roll_number != null, Boolean(scene.pinhole_id));
  const afterwards = reminders?.[reminded]?.after;
  const lens = !scene.pinhole_id && aperture !== answer.set.aperture.replace("f/", "");
  const given: Given = {
    ...asPlanned(scene, plan, id.current, unplaced ? sheet.current : (side?.piece_id ?? "")),
    unplaced,
    // a bare number is the watch's; a mark, or 2:10, says what it is
    time: time === null || (share === "1" && time === planned) ? null : typedIn(time, "s"),
    aperture: lens ? aperture : null,
    note,
    share: Number(share),
    share_of: shareOf,
  };
  const different = given.time !== null || given.aperture !== null || given.share !== 1;
  const checked = useQuery({
    ...checkQuery({ ...given, piece_id: given.piece_id || "none", note: "" }),
    enabled: different || side !== undefined,
  });
  const check = checked.data?.check;
  const doubts = checked.data?.doubts ?? [];

  /** The film that is meant by what stands there now; nothing, and why, when it cannot take it. */
  const onto = async () => {
    const found = await ask(() => client.fetchQuery(asked));
    setNoSide(found?.meant.refusal || null);
    return found && !found.meant.refusal ? found.meant : null;
  };
  const log = async () => {
    const meant = await onto();
    if (!meant) return;
    const said = check && different ? check.time_text : answer.set.text;
    const on = { unplaced: meant.unplaced, piece_id: meant.piece?.piece_id ?? sheet.current };
    void write(expose({ ...given, ...on, happened: happened && doubts.length > 0 }), {
      at_once: () =>
        logged(
          `${meant.piece?.where ?? "A sheet in no holder"} exposed: ${said} at ${apertureText(aperture)}`,
        ),
    });
  };
  const startClock = async () => {
    const meant = await onto();
    if (!meant) return;
    const timed = different ? check : undefined;
    keepClock({
      given: { ...given, time: null, happened: happened && doubts.length > 0 },
      where: meant.piece?.where ?? NO_HOLDER,
      reminded: remindersOf(meant.piece?.roll_number != null, Boolean(scene.pinhole_id)),
      title: scene.title,
      setText: `${apertureText(aperture)}, ${timed?.time_text ?? answer.set.text}`,
      placed,
      metered_s: timed?.metered_s ?? answer.metered_s,
      now_metered_s: timed?.metered_s ?? answer.metered_s,
      intervals: [],
      left_s: timed?.seconds ?? answer.set.seconds,
      since: null,
      phase: "ready",
      ...(light && { light }),
    });
    close();
  };

  if (!film) return null;
  const byHand = answer.set.means === "bulb";
  const refused = different ? (checked.error as Refusal | null) : null;
  const tried = (name: string) => (refused?.field === name ? refused.message : null);
  return (
    <FormSheet
      close={close}
      title={`Expose ${filmName}`}
      writing={writing}
      keep={() => void log()}
      says="Log exposure"
      unready={doubts.length > 0 && !happened}
      instead={
        byHand && (
          <Button onClick={startClock} disabled={different && !check}>
            Clock
          </Button>
        )
      }
    >
      <Entry
        label="Side or frame"
        value={typed}
        onFocus={(event) => event.target.select()}
        onText={setWhere}
        field={problem?.field === "piece_id" ? "piece_id" : "side"}
        problem={noSide ?? tried("side") ?? tried("piece_id")}
        autoFocus
      />
      <Flex wrap="wrap" gap="2" role="group" aria-label="Loaded film of this kind">
        {film.now.map((each) => (
          <Button
            key={each.where}
            type="button"
            minWidth="56px"
            paddingInline="2"
            borderWidth="1px"
            aria-pressed={each.where === side?.where}
            variant={each.where === side?.where ? "main" : "plain"}
            onClick={() => setWhere(each.where)}
          >
            {each.where}
            {each.state === "exposed" && " again"}
          </Button>
        ))}
        <Button
          type="button"
          paddingInline="2"
          borderWidth="1px"
          aria-pressed={unplaced}
          variant={unplaced ? "main" : "plain"}
          onClick={() => setWhere(NO_HOLDER)}
        >
          no holder
        </Button>
      </Flex>
      {film.taken.length > 0 && film.now.length === 0 && (
        <Flex wrap="wrap" gap="2">
          {film.taken.some((each) => each.share_left > 0) && share === "1" && (
            <Button type="button" onClick={() => setShare("0.5")}>
              Continue a multiple exposure
            </Button>
          )}
          <Button type="button" onClick={() => setWhere(film.taken[0]?.where ?? "")}>
            Exposed film again, by accident
          </Button>
        </Flex>
      )}
      {film.now.length === 0 && scene.film_id && (
        <Small>
          No unexposed {filmName} is loaded. <Link to="/film">Load a holder or a roll in Film</Link>
          , or name the holder later.
        </Small>
      )}
      {side?.doubt && <Notice tone="caution">{side.doubt}</Notice>}
      <Doubts doubts={doubts} ei={plan?.request.ei} happened={happened} say={setHappened} />
      <Grid templateColumns="1fr 1fr" gap="4">
        <Entry
          label="Time given"
          help="s, m:ss, or 1/60"
          value={time ?? (share === "1" ? planned : (check?.time_text ?? ""))}
          onText={setTime}
          field="time"
          problem={tried("time")}
        />
        <Entry
          label="Aperture given"
          value={aperture}
          disabled={Boolean(scene.pinhole_id)}
          onText={setAperture}
          field="aperture"
          problem={tried("aperture")}
        />
      </Grid>
      {different && check && (
        <Small data-check>
          {check.time_text}: {check.error_text}, {check.development_text}
        </Small>
      )}
      {different &&
        check?.advice.map((each) => (
          <Notice key={each.code} tone={each.severity}>
            {each.text}
          </Notice>
        ))}
      <Grid templateColumns="1fr 1fr" gap="4">
        <Choose
          label="Share of exposure"
          value={share}
          options={SHARES}
          onChange={(value) => {
            setShare(value);
            setTime(null);
          }}
          field="share"
          problem={tried("share")}
        />
        {share !== "1" && (
          <Choose
            label="The other openings are of"
            value={shareOf}
            options={OFFERED.shares_of}
            onChange={(value) => {
              setShareOf(value as Given["share_of"]);
              setTime(null);
            }}
            field="share_of"
            problem={tried("share_of")}
          />
        )}
        <Entry label="Note" value={note} onText={setNote} field="note" problem={tried("note")} />
      </Grid>
      <Small>{afterwards && `Afterwards: ${afterwards}.`}</Small>
    </FormSheet>
  );
}
