import { Box, Flex } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import type { Schemas } from "../../api/calls";
import { newId } from "../../api/newId";
import { going, keepRun, READY } from "../../clock/run";
import { sound, wakeSound } from "../../clock/sounds";
import { say } from "../../clock/speech";
import { useAwake } from "../../clock/useAwake";
import { useSound } from "../../clock/useSound";
import { useTicks } from "../../clock/useTicks";
import { Alone } from "../../components/Alone";
import { Problem } from "../../components/Problem";
import { printMade } from "../../shared/prints";
import { useWrite } from "../../shared/useWrite";
import { SAFE } from "../../theme/safelight";
import { keepPrintClock, type PrintTimed, readPrintClock, usePrintClock } from "./clockState";
import type { PrintView } from "./queries";

const { red: RED, dim: DIM } = SAFE;
const REHEARSAL = 10;
const LEAST_BY_EYE_S = 1;

/** The paper goes into its baths: from here on it is a run like any other, by the same clock. */
function intoBaths(
  view: PrintView,
  course: Schemas["PaperCourse"],
  { by_eye, speed }: Pick<PrintTimed, "by_eye" | "speed">,
) {
  keepRun({
    ...READY,
    ...going(speed),
    run_id: newId(),
    print_id: view.print.id,
    plan: view.print.plan,
    by_eye,
    title: view.print.title,
    began_c: 20,
    steps: course.steps,
    heard: course.heard,
    cautions: course.cautions,
    mix: view.paper?.name ?? "",
  });
}

const clock = (seconds: number) => {
  const left = Math.max(0, Math.ceil(seconds - 1e-6));
  return left >= 60 ? `${Math.floor(left / 60)}:${String(left % 60).padStart(2, "0")}` : `${left}`;
};

/** The print's clock: dark red on black, or black and sound alone; a key, a pedal or a touch goes on. */
export function PrintClock({ view, close: shut }: { view: PrintView; close: () => void }) {
  const close = () => {
    keepPrintClock(null);
    shut();
  };
  const stages = view.worked.rows;
  const first = view.baths?.steps[0]?.name;
  const timed = usePrintClock();
  const { place, since, speed, by_eye } = timed ?? { place: -1, since: null, speed: 1, by_eye: [] };
  const keep = (to: Partial<PrintTimed>) =>
    keepPrintClock({ print_id: view.print.id, place, since, speed, by_eye, ...to });
  const [black, setBlack] = useState(false);
  const [beats, setBeats] = useState(true);
  const now = useTicks(since !== null);
  const heard = useRef({ place: -1, cue: -1, second: -1 });
  const { write, problem, busy } = useWrite(close);
  const dialog = useRef<HTMLDivElement>(null);
  useAwake(true);
  useSound(true);
  const stage = stages[place];
  const done_s = since === null ? 0 : (Math.max(0, now - since) / 1000) * speed;
  const left = stage ? stage.set_s - done_s : 0;
  const eye = since !== null && Boolean(stage?.by_eye);
  const running = since !== null && (eye || left > 0);
  useEffect(() => dialog.current?.focus(), []);
  // the end of a stage, the holds within it, and the seconds between
  useEffect(() => {
    if (since === null || !stage) return;
    const known = heard.current;
    if (known.place !== place) heard.current = { place, cue: -1, second: -1 };
    const cue = stage.cues.findLastIndex((each) => each.at_s <= done_s + 1e-6);
    if (cue > heard.current.cue) {
      heard.current.cue = cue;
      say(stage.cues[cue]?.text ?? "");
      sound.start();
    }
    const second = Math.floor(done_s);
    if (second !== heard.current.second && running) {
      heard.current.second = second;
      if (left <= 3 && !eye) sound.last();
      else if (beats && second > 0) sound.ten();
    }
    if (!running) {
      const now_ = readPrintClock();
      if (now_) keepPrintClock({ ...now_, since: null });
      sound.end();
      sayNext();
    }
  });
  const sayNext = () => {
    const next = stages[place + 1];
    say(next ? `${next.title} next. ${next.before}` : `lamp off; ${first ?? "done"}`);
  };
  const over = place >= stages.length - 1 && !running && place >= 0;
  const go = () => {
    wakeSound();
    if (eye && stage) {
      // a second or two of a finger are no decision
      if (done_s < LEAST_BY_EYE_S * speed) return;
      const others = by_eye.filter((each) => each.area !== stage.id);
      keep({ since: null, by_eye: [...others, { area: stage.id, lamp_s: done_s }] });
      sound.end();
      return sayNext();
    }
    if (running) return;
    if (over) {
      if (!view.baths) return;
      intoBaths(view, view.baths, { by_eye, speed });
      return close();
    }
    sound.start();
    keep({ place: place + 1, since: Date.now() });
  };
  const next = stages[place + 1];
  const cueNow = stage?.cues.findLast((each) => each.at_s <= done_s + 1e-6);
  const button = (label: string, act: () => void, disabled = false) => (
    <Box
      as="button"
      key={label}
      minHeight="48px"
      paddingInline="5"
      border="1px solid"
      borderColor={DIM}
      background="black"
      color={RED}
      borderRadius="6px"
      cursor="pointer"
      aria-disabled={disabled}
      onClick={(event: { stopPropagation: () => void }) => {
        event.stopPropagation();
        if (!disabled) act();
      }}
    >
      {label}
    </Box>
  );
  return (
    <Alone>
      <Box
        ref={dialog}
        data-state="open"
        role="dialog"
        aria-modal="true"
        aria-label="Clock of the print"
        tabIndex={-1}
        position="fixed"
        inset="0"
        zIndex={60}
        background="black"
        color={RED}
        outline="none"
        overflow="auto"
        data-light={running ? "on" : "off"}
        onClick={go}
        onKeyDown={(event) => {
          const inner = event.target !== event.currentTarget;
          if (["Enter", " ", "PageDown", "ArrowRight"].includes(event.key) && !inner) {
            event.preventDefault();
            go();
          }
          if (event.key !== "Escape") return;
          if (black) setBlack(false);
          else if (!running) close();
        }}
      >
        {black ? (
          <Box
            position="absolute"
            inset="0"
            background="black"
            aria-label="Black screen; a double touch or Escape brings it back"
            onDoubleClick={(event) => {
              event.stopPropagation();
              setBlack(false);
            }}
          >
            <Box as="span" srOnly>
              {stage ? `${stage.title}, ${clock(left)} left` : "ready"}
            </Box>
          </Box>
        ) : (
          <Flex
            direction="column"
            minHeight="100dvh"
            maxWidth="900px"
            marginInline="auto"
            padding="5"
            gap="4"
          >
            <Box>
              <b>{view.print.title}</b>
              {place < 0 && (
                <Box fontSize="15px" paddingTop="2" color={SAFE.lit}>
                  A screen can fog paper: turn it away from easel and trays, dim it, and test it:
                  paper with a coin on it, five minutes beside the lit screen, then developed, must
                  stay white. Keep to the paper’s safelight rules. The lamp and glass get hot.
                </Box>
              )}
            </Box>
            <Flex direction="column" flex="1" justify="center" align="center" textAlign="center">
              <Box fontSize="20px" aria-live="polite">
                {running ? stage?.title : `Next: ${next?.title ?? first ?? "done"}`}
              </Box>
              <Box
                role="timer"
                data-clock
                fontSize={{ base: "120px", md: "200px" }}
                lineHeight={1}
                fontWeight={620}
              >
                {clock(
                  eye ? done_s : running ? left : (next?.set_s ?? view.baths?.steps[0]?.end_s ?? 0),
                )}
              </Box>
              <Box fontSize="22px" minHeight="34px" aria-live="assertive">
                {running
                  ? (cueNow?.text ?? (eye ? `Tap, Enter or pedal to end; ${stage?.text}` : ""))
                  : over && !first
                    ? ""
                    : "Tap, Enter or pedal to start"}
              </Box>
              {!running && next?.before && (
                <Box fontSize="18px" color={SAFE.lit} paddingTop="2">
                  {next.before}
                </Box>
              )}
            </Flex>
            <Flex gap="3" wrap="wrap" justify="center">
              {button(beats ? "Metronome on" : "Metronome off", () => setBeats(!beats))}
              {button("Black screen", () => setBlack(true))}
              {place < 0 &&
                button(speed === 1 ? "Rehearse, ten times faster" : "At its own speed", () =>
                  keep({ speed: speed === 1 ? REHEARSAL : 1 }),
                )}
              {!running && place >= 0 && button("Repeat", () => keep({ place: place - 1 }))}
              {over &&
                !first &&
                button(
                  "Save print",
                  () => void write(printMade(view.print.id, view.print.plan, by_eye)),
                  busy,
                )}
              {!running && button("Close", close)}
            </Flex>
            <Problem of={problem} />
          </Flex>
        )}
      </Box>
    </Alone>
  );
}
