import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useRef, useState } from "react";
import { Link } from "react-router";
import { newId, type Refusal } from "../../api/client";
import { holdersQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { Sheet } from "../../components/Sheet";
import { apertureFromText, timeFromText } from "./format";
import { type Answer, expose, type Scene } from "./queries";

/** Onto which loaded side, and what was really given; Enter logs it. */
export function ExposeSheet({
  scene,
  answer,
  filmName,
  close,
  logged,
}: {
  scene: Scene;
  answer: Answer;
  filmName: string;
  close: () => void;
  logged: (said: string) => void;
}) {
  const client = useQueryClient();
  const holders = useQuery(holdersQuery);
  const sides = (holders.data ?? [])
    .flatMap((each) => each.sides)
    .filter((side) => side.state === "loaded" && side.film_id === scene.film_id);
  const id = useRef(newId());
  const [where, setWhere] = useState<string | null>(null);
  const [time, setTime] = useState(answer.set.text.replace(/ s$/, ""));
  const [aperture, setAperture] = useState(answer.set.aperture.replace("f/", ""));
  const [note, setNote] = useState("");
  const [problem, setProblem] = useState<{ field: string; message: string } | null>(null);
  const [busy, setBusy] = useState(false);
  const typed = where ?? sides[0]?.where ?? "";

  const log = async (event: FormEvent) => {
    event.preventDefault();
    const wanted = typed.trim().toUpperCase();
    const side = sides.find((each) => each.where === wanted);
    if (!side?.sheet_id) {
      const offered = sides.map((each) => each.where).join(", ");
      setProblem({
        field: "side",
        message: `${wanted || "Nothing"} is not an unexposed side of ${filmName}; choose from ${offered}.`,
      });
      return;
    }
    setBusy(true);
    const planned = time === answer.set.text.replace(/ s$/, "");
    const lens = !scene.pinhole_id && aperture !== answer.set.aperture.replace("f/", "");
    try {
      await expose({
        id: id.current,
        scene_id: scene.id,
        sheet_id: side.sheet_id,
        time: planned ? null : timeFromText(time),
        aperture: lens ? apertureFromText(aperture) : null,
        note,
      });
      await client.invalidateQueries();
      logged(`${side.where} exposed: ${time}${/[a-z:]/.test(time) ? "" : " s"} at f/${aperture}`);
      close();
    } catch (refusal) {
      const { message, field } = refusal as Refusal;
      setProblem({ field: field ?? "side", message });
    } finally {
      setBusy(false);
    }
  };

  if (!holders.data) return null;
  if (sides.length === 0) {
    return (
      <Sheet
        open
        close={close}
        title="No sheet to expose"
        footer={<Button onClick={close}>Close</Button>}
      >
        No unexposed side holds {filmName}. <Link to="/film">Load a holder in Film</Link>, or choose
        a film that is loaded.
      </Sheet>
    );
  }
  return (
    <Sheet
      open
      close={close}
      title={`Expose ${filmName}`}
      footer={
        <>
          <Button onClick={close}>Not yet</Button>
          <Button variant="main" type="submit" form="expose" disabled={busy}>
            Log exposure
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4" as="form" id="expose" onSubmit={log}>
        <Entry
          label="Holder and side"
          value={typed}
          onFocus={(event) => event.target.select()}
          onChange={(event) => setWhere(event.target.value)}
          problem={
            problem?.field === "side" || problem?.field === "sheet_id" ? problem.message : null
          }
          autoFocus
        />
        <Flex wrap="wrap" gap="2" role="group" aria-label="Loaded sides of this film">
          {sides.map((side) => (
            <Button
              key={side.where}
              type="button"
              minWidth="56px"
              paddingInline="2"
              borderWidth="1px"
              aria-pressed={side.where === typed.toUpperCase()}
              variant={side.where === typed.toUpperCase() ? "main" : "plain"}
              onClick={() => setWhere(side.where)}
            >
              {side.where}
            </Button>
          ))}
        </Flex>
        <Grid templateColumns="1fr 1fr" gap="4">
          <Entry
            label="Time given"
            help="s, m:ss, or 1/60"
            value={time}
            onChange={(event) => setTime(event.target.value)}
            problem={problem?.field === "time" ? problem.message : null}
          />
          <Entry
            label="Aperture given"
            value={aperture}
            disabled={Boolean(scene.pinhole_id)}
            onChange={(event) => setAperture(event.target.value)}
            problem={problem?.field === "aperture" ? problem.message : null}
          />
        </Grid>
        <Entry
          label="Note"
          value={note}
          onChange={(event) => setNote(event.target.value)}
          problem={problem?.field === "note" ? problem.message : null}
        />
        {problem && !["side", "sheet_id", "time", "aperture", "note"].includes(problem.field) && (
          <Box role="alert" color="brick" fontWeight={550}>
            {problem.message}
          </Box>
        )}
        <Box fontSize="14px" color="ink2">
          Afterwards put the slide back with its exposed side out.
        </Box>
      </Flex>
    </Sheet>
  );
}
