import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import type { Act } from "../../api/acts";
import type { Schemas } from "../../api/calls";
import { kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { Quiet } from "../../components/text";
import { useWrite } from "../../shared/useWrite";
import { CutSheet } from "./CutSheet";
import { Frames } from "./Frames";
import { putBack, sawItAdvance, takeOut, takeOutUnexposed, windOn } from "./queries";
import { RollSheet } from "./RollSheet";
import { StripSheet } from "./StripSheet";

type View = Schemas["RollView"];

/** A roll: where it is, its frames in a row, and what can be done with it now. */
export function RollPanel({ view }: { view: View }) {
  const { roll } = view;
  const cameras = useQuery(kitQuery).data?.cameras ?? [];
  const { problem, write, busy } = useWrite();
  const [open, setOpen] = useState<"cut" | "roll" | null>(null);
  const [strip, setStrip] = useState<string | null>(null);
  const chosen = view.strips.find((each) => each.strip.id === strip);
  const camera = cameras.find((each) => each.id === roll.camera_id)?.name;
  const place = {
    camera: [camera ?? "in a camera", roll.back].filter(Boolean).join(", "),
    bag: `in the bag, partly exposed; frame ${roll.next_frame} comes next`,
    done: "finished",
  }[roll.place];
  const used = view.frames.some((each) => !["loaded", "blank"].includes(each.state));
  // a strip is chosen for once it is out of the camera for good; the rest of a cut roll goes on
  const strips = view.strips.filter((each) => each.out || roll.place === "done");
  const full = roll.next_frame > roll.frames;
  const does = (act: Act) => () => void write(act);
  const inRun = view.frames.some((each) => ["in_run", "developed", "judged"].includes(each.state));
  return (
    <Box as="section" aria-label={`Roll ${roll.number}`} paddingBottom="8">
      <Flex
        justify="space-between"
        align="baseline"
        gap="4"
        wrap="wrap"
        borderTop="2px solid"
        borderColor="ink"
        paddingTop="2"
      >
        <Flex align="baseline" gap="3" wrap="wrap">
          <Button
            variant="quiet"
            paddingInline="0"
            fontSize="26px"
            fontWeight={650}
            aria-label={`Roll ${roll.number}, change`}
            onClick={() => setOpen("roll")}
          >
            {roll.number}
          </Button>
          <Box as="h2" fontSize="19px">
            {view.film_name}, {view.format_name}
          </Box>
          <Quiet>{place}</Quiet>
        </Flex>
        <Quiet>{view.rating}</Quiet>
      </Flex>
      {roll.note && <Quiet>{roll.note}</Quiet>}
      <Frames view={view} />
      {view.picture_ids.length > 1 && (
        <Link to={`/log/together?of=${view.picture_ids.join(",")}`}>Its pictures side by side</Link>
      )}
      {roll.place === "camera" && !roll.advanced && (
        <Notice tone="caution">
          Did it advance? Turn the crank and watch the rewind knob or the paper move; a roll that
          slipped off its spool takes every picture on one frame.
        </Notice>
      )}
      <Flex gap="3" wrap="wrap" paddingTop="3">
        {roll.place === "camera" && (
          <>
            {!roll.advanced && (
              <Button disabled={busy} onClick={does(sawItAdvance(roll.id))}>
                Film advances
              </Button>
            )}
            {!full && (
              <Button disabled={busy} onClick={does(windOn(roll.id))}>
                Wind on, frame {roll.next_frame} stays blank
              </Button>
            )}
            {used && !full && (
              <Button disabled={busy} onClick={does(takeOut(roll.id, false))}>
                Remove part-exposed
              </Button>
            )}
          </>
        )}
        {roll.place !== "camera" && view.rest_from !== null && (
          <Button
            disabled={busy}
            onClick={does(putBack(roll.id, roll.camera_id ?? null, roll.back))}
          >
            {roll.place === "bag" ? "Put back" : "Load the rest"}, wound on to frame{" "}
            {view.rest_from}
          </Button>
        )}
        {roll.place !== "done" &&
          (used ? (
            <Button
              variant={full ? "main" : "plain"}
              disabled={busy}
              onClick={does(takeOut(roll.id, true))}
            >
              Finish roll
            </Button>
          ) : (
            <Button variant="quiet" disabled={busy} onClick={does(takeOutUnexposed(roll.id))}>
              Take out unexposed
            </Button>
          ))}
        {roll.place !== "camera" && !inRun && (
          <Button onClick={() => setOpen("cut")}>
            {view.strips.length > 1 ? "Change cuts" : "Cut into strips"}
          </Button>
        )}
      </Flex>
      {strips.length > 0 && (
        <ul>
          {strips.map((each) => (
            <Strip
              key={each.strip.id}
              view={view}
              strip={each}
              open={() => setStrip(each.strip.id)}
            />
          ))}
        </ul>
      )}
      <Problem of={problem} />
      {open === "cut" && <CutSheet view={view} close={() => setOpen(null)} />}
      {open === "roll" && <RollSheet view={view} close={() => setOpen(null)} />}
      {chosen && <StripSheet view={view} strip={chosen} close={() => setStrip(null)} />}
    </Box>
  );
}

function Strip({
  view,
  strip: { strip, frames_text, n_text, recipe_name },
  open,
}: {
  view: View;
  strip: View["strips"][number];
  open: () => void;
}) {
  const frames = view.frames.filter(
    (each) => each.frame >= strip.first_frame && each.frame <= strip.last_frame,
  );
  const waits = frames.some((each) => each.state === "exposed");
  const exposed = frames.some((each) => each.exposure_id);
  return (
    <Flex
      as="li"
      align="center"
      gap="3"
      wrap="wrap"
      borderBottom="1px solid"
      borderColor="line"
      minHeight="48px"
    >
      <Box minWidth="150px">
        {frames_text ? `${frames_text[0]?.toUpperCase()}${frames_text.slice(1)}` : "The whole roll"}
      </Box>
      <Box flex="1">
        {!exposed
          ? "nothing exposed on it"
          : n_text
            ? [`for ${n_text}`, recipe_name].filter(Boolean).join(", ")
            : "no development chosen yet"}
      </Box>
      {waits && view.has_n && (
        <Button variant={n_text ? "plain" : "main"} onClick={open}>
          {n_text ? "Change development" : "Choose development"}
        </Button>
      )}
    </Flex>
  );
}
