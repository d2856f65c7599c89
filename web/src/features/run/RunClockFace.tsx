import { Box, Flex, Grid } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import {
  cuesOf,
  keepRun,
  mayPause,
  type RunClock,
  runS,
  stepAt,
  totalS,
  useRun,
} from "../../clock/run";
import { wakeSound } from "../../clock/sounds";
import { watchText } from "../../clock/state";
import { useAwake } from "../../clock/useAwake";
import { useCues } from "../../clock/useCues";
import { useTicks } from "../../clock/useTicks";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { Blackout } from "./Blackout";
import { StepList } from "./StepList";
import { Thermometer } from "./Thermometer";
import { useFinishing } from "./useFinishing";

const REHEARSAL = 60;
const ALOUD = "emulsa-aloud";

/** The clock of a run, over everything else: what to do now, by ear and by eye. */
export function RunClockFace() {
  const run = useRun();
  const going = run?.phase === "going";
  const now = useTicks(run !== null && run.phase !== "ready");
  const [aloud, setAloud] = useState(() => localStorage.getItem(ALOUD) === "yes");
  useCues(going, aloud);
  useAwake(going);
  const { problem, retry } = useFinishing(run);
  if (!run) return null;
  const speak = (wanted: boolean) => {
    setAloud(wanted);
    localStorage.setItem(ALOUD, wanted ? "yes" : "no");
  };
  if (run.blackout && going) return <Blackout run={run} now={now} />;
  return <Face run={run} now={now} problem={problem} retry={retry} aloud={aloud} speak={speak} />;
}

function Face({
  run,
  now,
  problem,
  retry,
  aloud,
  speak,
}: {
  run: RunClock;
  now: number;
  problem: { message: string; away: boolean } | null;
  retry: () => void;
  aloud: boolean;
  speak: (wanted: boolean) => void;
}) {
  const main = useRef<HTMLButtonElement>(null);
  const [giving, setGiving] = useState(false);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each phase has its own main button
  useEffect(() => main.current?.focus(), [run.phase]);
  const at_s = Math.min(runS(run, now), totalS(run));
  const place = stepAt(run, at_s);
  const step = run.steps[place];
  const next = run.steps[place + 1];
  const filling = step !== undefined && at_s < step.start_s;
  const cue = cuesOf(run.steps).find((each) => each.at_s > at_s);
  const doing = step?.cues.find((each) => each.start_s <= at_s && at_s < each.end_s);
  const rehearsal = run.speed !== 1;
  const begin = (speed: number) => {
    wakeSound();
    keepRun({
      ...run,
      phase: "going",
      since: Date.now(),
      speed,
      started_at: new Date().toISOString(),
      given_s: -1,
    });
  };
  const stand = () =>
    keepRun({ ...run, phase: "paused", done_s: runS(run, Date.now()), since: null });
  const goOn = () => {
    wakeSound();
    keepRun({ ...run, phase: "going", since: Date.now() });
  };
  const again = () =>
    keepRun({ ...run, phase: "ready", done_s: 0, since: null, speed: 1, given_s: -1 });
  return (
    <Box
      position="fixed"
      inset="0"
      zIndex={60}
      background="sheet"
      role="dialog"
      aria-modal="true"
      aria-label={`Clock of ${run.title}`}
      data-state="open"
      overflow="auto"
    >
      <Flex
        direction="column"
        minHeight="100dvh"
        maxWidth="900px"
        marginInline="auto"
        padding={{ base: "4", md: "6" }}
        gap="3"
      >
        <Flex justify="space-between" align="baseline" gap="4" wrap="wrap">
          <Box as="h1" fontSize="19px" fontWeight={650}>
            {run.title}
            {rehearsal && run.phase !== "ready" && ` · rehearsal, ${run.speed} times as fast`}
          </Box>
          <Box color="ink2">{run.mix}</Box>
        </Flex>
        <Box
          textAlign="center"
          flex="1"
          display="flex"
          flexDirection="column"
          justifyContent="center"
        >
          <Box fontSize={{ base: "30px", md: "44px" }} fontWeight={650} aria-live="polite">
            {run.phase === "done" ? "Done" : filling ? `Pour in: ${step?.name}` : step?.name}
          </Box>
          <Box
            data-run-clock
            role="timer"
            aria-live="off"
            fontSize={{ base: "clamp(72px, 30vw, 128px)", md: "180px" }}
            lineHeight={1}
            fontWeight={620}
            letterSpacing="-0.02em"
          >
            {run.phase === "done"
              ? watchText(totalS(run))
              : watchText(((filling ? step?.start_s : step?.end_s) ?? 0) - at_s)}
          </Box>
          {run.phase !== "done" && (
            <Box fontSize="19px" minHeight="56px">
              <Box fontWeight={600}>
                {run.phase === "paused"
                  ? "Standing; nothing is counted"
                  : DOING[doing?.kind ?? "still"]}
                {cue && run.phase === "going" && (
                  <Box as="span" color="ink2" fontWeight={400}>
                    {" "}
                    · {cue.says.toLowerCase()} in {watchText(cue.at_s - at_s)}
                  </Box>
                )}
              </Box>
              <Box color="ink2">{next ? `then ${next.name}` : "then it is done"}</Box>
            </Box>
          )}
        </Box>
        {run.phase === "going" && step?.kind === "developer" && !filling && !rehearsal && (
          <Thermometer run={run} at_s={at_s} step={step} />
        )}
        {problem && (
          <Notice tone={problem.away ? "caution" : "refusal"} live>
            {problem.away
              ? "Emulsa does not answer. How the run went is kept here and written when it is back."
              : problem.message}
          </Notice>
        )}
        <StepList run={run} place={run.phase === "ready" ? -1 : place} />
        <Grid
          templateColumns={{ base: run.phase === "ready" ? "1fr" : "1fr 1fr", md: "1fr 1fr" }}
          gap="3"
        >
          {run.phase === "ready" && (
            <>
              <Button minHeight="64px" onClick={() => begin(REHEARSAL)}>
                Rehearse, {REHEARSAL} times as fast
              </Button>
              <Button
                ref={main}
                variant="main"
                minHeight="64px"
                fontSize="19px"
                onClick={() => begin(1)}
              >
                Begin: {run.steps[0]?.name}
              </Button>
            </>
          )}
          {run.phase === "going" && (
            <>
              <Button minHeight="64px" disabled={!mayPause(run, at_s)} onClick={stand}>
                {mayPause(run, at_s) ? "Let it stand" : "No pause in this bath"}
              </Button>
              <Button
                ref={main}
                variant="main"
                minHeight="64px"
                onClick={() => keepRun({ ...run, blackout: true })}
              >
                Blackout
              </Button>
            </>
          )}
          {run.phase === "paused" && (
            <Button ref={main} variant="main" minHeight="64px" gridColumn="1 / -1" onClick={goOn}>
              Go on
            </Button>
          )}
          {run.phase === "done" && rehearsal && (
            <Button ref={main} variant="main" minHeight="64px" gridColumn="1 / -1" onClick={again}>
              Back to the beginning
            </Button>
          )}
          {run.phase === "done" && problem && !problem.away && (
            <Button ref={main} variant="main" minHeight="64px" gridColumn="1 / -1" onClick={retry}>
              Write it again
            </Button>
          )}
        </Grid>
        <Flex justify="space-between" align="center" gap="3" wrap="wrap">
          <Box as="label" display="flex" gap="2" alignItems="center" minHeight="44px">
            <input
              type="checkbox"
              checked={aloud}
              onChange={(event) => speak(event.target.checked)}
            />
            say the steps aloud
          </Box>
          {giving ? (
            <Flex gap="3" wrap="wrap" align="center">
              <Box>The clock is put away; the film stays in the run.</Box>
              <Button color="brick" onClick={() => keepRun(null)}>
                Put it away
              </Button>
              <Button onClick={() => setGiving(false)}>Go on</Button>
            </Flex>
          ) : (
            <Button
              variant="quiet"
              onClick={() => (run.phase === "ready" ? keepRun(null) : setGiving(true))}
            >
              {run.phase === "ready" ? "Not now" : "Give up"}
            </Button>
          )}
        </Flex>
        {run.phase === "ready" && (
          <Box fontSize="14px" color="ink2">
            Gloves and eye protection, fresh air; one way along the line. Open tanks and trays mean
            no light at all: Blackout makes this screen black and works by sound. Follow the maker's
            sheet and local rules.
          </Box>
        )}
      </Flex>
    </Box>
  );
}

const DOING = {
  pour: "Pour in",
  agitate: "Move it now",
  drain: "Pour out",
  still: "Let it be",
};
