import { Box, Flex, Grid } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import {
  blacken,
  going,
  keepRun,
  putAway,
  READY,
  type RunClock,
  runS,
  show,
  stepAt,
  totalS,
  useClocks,
} from "../../clock/run";
import { wakeSound } from "../../clock/sounds";
import { useAwake } from "../../clock/useAwake";
import { useCues } from "../../clock/useCues";
import { useSound } from "../../clock/useSound";
import { useTicks } from "../../clock/useTicks";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { GiveUp, OverAll } from "../../components/OverAll";
import { Tick } from "../../components/Tick";
import { Small } from "../../components/text";
import { Band } from "./Band";
import { Beside } from "./Beside";
import { Blackout } from "./Blackout";
import { Figure } from "./Figure";
import { Hands } from "./Hands";
import { PrintDone } from "./PrintDone";
import { Shifts } from "./Shifts";
import { Silent } from "./Silent";
import { Thermometer } from "./Thermometer";
import { useFinishing } from "./useFinishing";

const REHEARSAL = 60;
const ALOUD = "emulsa-aloud";

/** The clocks of runs, over everything else: what to do now, by ear and by eye. */
export function RunClockFace() {
  const clocks = useClocks();
  const runs = clocks?.runs ?? [];
  const timed = runs.filter((each) => each.phase === "going");
  const now = useTicks(runs.some((each) => each.phase !== "ready"));
  const [aloud, setAloud] = useState(() => localStorage.getItem(ALOUD) === "yes");
  useCues(runs.length > 0, aloud); // listening before it begins: its first cue is at once
  const awake = useAwake(timed.length > 0);
  const heard = useSound(timed.length > 0);
  const { problem, retry } = useFinishing(clocks);
  const run = runs.find((each) => each.run_id === clocks?.shown);
  if (clocks?.black && timed.length > 0) return <Blackout runs={timed} now={now} />;
  if (!run) return <Beside runs={runs} now={now} below />;
  const speak = (wanted: boolean) => {
    setAloud(wanted);
    localStorage.setItem(ALOUD, wanted ? "yes" : "no");
  };
  const others = runs.filter((each) => each !== run);
  return (
    <Face
      key={run.run_id}
      run={run}
      others={others}
      now={now}
      problem={problem}
      retry={retry}
      silent={!heard}
      awake={awake}
      aloud={aloud}
      speak={speak}
    />
  );
}

function Face({
  run,
  others,
  now,
  problem,
  retry,
  silent,
  awake,
  aloud,
  speak,
}: {
  run: RunClock;
  others: RunClock[];
  now: number;
  problem: { message: string; away: boolean } | null;
  retry: () => void;
  silent: boolean;
  awake: boolean;
  aloud: boolean;
  speak: (wanted: boolean) => void;
}) {
  const main = useRef<HTMLButtonElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each phase has its own main button
  useEffect(() => main.current?.focus(), [run.phase]);
  const at_s = Math.min(runS(run, now), totalS(run));
  const place = stepAt(run, at_s);
  const step = run.steps[place];
  const next = run.steps[place + 1];
  const filling = step !== undefined && at_s < step.start_s;
  const rehearsal = run.speed !== 1;
  const print = run.print_id !== undefined;
  const begin = (speed: number) => {
    wakeSound();
    keepRun({ ...run, ...going(speed) });
  };
  const stand = () =>
    keepRun({ ...run, phase: "paused", done_s: runS(run, Date.now()), since: null });
  const goOn = () => {
    wakeSound();
    keepRun({ ...run, phase: "going", since: Date.now() });
  };
  const again = () => keepRun({ ...run, ...READY });
  return (
    <OverAll
      label={`Clock of ${run.title}`}
      title={
        rehearsal && run.phase !== "ready"
          ? `${run.title} · rehearsal, ${run.speed} times as fast`
          : run.title
      }
      set={run.mix}
      safelight={print}
    >
      <Box css={FACE}>
        <Beside runs={others} now={now} />
        <Figure run={run} at_s={at_s} />
        {run.phase === "going" &&
          step?.kind === "developer" &&
          !filling &&
          !rehearsal &&
          !print && <Thermometer run={run} at_s={at_s} step={step} />}
        {run.phase === "ready" && !print && others.length > 0 && (
          <Hands run={run} others={others} now={now} />
        )}
        {problem && (
          <Notice tone={problem.away ? "caution" : "refusal"} live>
            {problem.away
              ? "Emulsa is not responding. How the run went is kept here and written when it is back."
              : problem.message}
          </Notice>
        )}
        {run.phase === "going" && silent && <Silent />}
        {!awake && (
          <Notice tone="caution">
            This browser lets the screen sleep, which stops the sound. Turn off sleep on the device.
          </Notice>
        )}
        <Box data-band>
          <Band run={run} at_s={at_s} place={run.phase === "ready" ? -1 : place} />
        </Box>
        <Grid
          data-controls
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
              <Button minHeight="64px" disabled={!step?.may_wait} onClick={stand}>
                {step?.may_wait ? "Pause" : "No pause in this bath"}
              </Button>
              <Button ref={main} variant="main" minHeight="64px" onClick={() => blacken(true)}>
                Blackout
              </Button>
            </>
          )}
          {run.phase === "going" && !print && <Shifts run={run} next={next?.name} />}
          {run.phase === "paused" && (
            <Button ref={main} variant="main" minHeight="64px" gridColumn="1 / -1" onClick={goOn}>
              Continue
            </Button>
          )}
          {run.print_id && run.phase !== "ready" && <PrintDone run={run} print_id={run.print_id} />}
          {run.phase === "done" && rehearsal && !print && (
            <Button ref={main} variant="main" minHeight="64px" gridColumn="1 / -1" onClick={again}>
              Back to the beginning
            </Button>
          )}
          {run.phase === "done" && problem && !problem.away && (
            <Button ref={main} variant="main" minHeight="64px" gridColumn="1 / -1" onClick={retry}>
              Save run again
            </Button>
          )}
        </Grid>
        <Flex justify="space-between" align="center" gap="3" wrap="wrap">
          <Tick on={aloud} set={speak}>
            say the steps aloud
          </Tick>
          {run.phase !== "done" && run.phase !== "ready" && (
            <Button variant="quiet" onClick={() => show("")}>
              Hide clock (keeps running)
            </Button>
          )}
          <GiveUp
            ready={run.phase === "ready"}
            warning={
              run.phase === "ready"
                ? ""
                : print
                  ? "Clock closed; the print stays in its bath."
                  : "Clock closed; the film stays in the run."
            }
            word="Close clock"
            leave={() => putAway(run.run_id)}
          />
        </Flex>
        {run.phase === "ready" && (
          <Small>
            {run.cautions.join(" ")} Wet side and dry side apart.
            {!print &&
              " Open tanks and trays mean no light at all: Blackout makes this screen black and works by sound."}
          </Small>
        )}
      </Box>
    </OverAll>
  );
}

/** One under the other; on a phone laid on its side the figure stands beside what is pressed. */
const FACE = {
  display: "flex",
  flexDirection: "column",
  flex: "1",
  gap: "12px",
  "@media (max-height: 520px) and (min-width: 600px)": {
    display: "grid",
    gridTemplateColumns: "minmax(0,1fr) minmax(280px,42%)",
    alignItems: "center",
    "& > *": { gridColumn: "1 / -1" },
    "& > [data-figure]": { gridColumn: "1", gridRow: "1" },
    "& > [data-controls]": { gridColumn: "2", gridRow: "1" },
    "& > [data-band]": { gridRow: "2" },
    "& [data-run-clock]": { fontSize: "96px" },
    "& [data-controls] button": { minHeight: "48px" },
  },
} as const;
