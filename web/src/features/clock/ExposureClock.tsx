import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { wayQuery } from "../../api/queries";
import { sound, wakeSound } from "../../clock/sounds";
import {
  closedAt,
  keepClock,
  openS,
  remindersOf,
  runningS,
  type Timed,
  useClock,
  watchText,
} from "../../clock/state";
import { useAwake } from "../../clock/useAwake";
import { useSound } from "../../clock/useSound";
import { useTicks } from "../../clock/useTicks";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { GiveUp, OverAll } from "../../components/OverAll";
import { Checklist } from "./Checklist";
import { Remeter } from "./Remeter";
import { useLogging } from "./useLogging";

/** The clock of a hand-timed exposure, over everything else until it is logged or given up. */
export function ExposureClock() {
  const timed = useClock();
  const now = useTicks(timed !== null && timed.phase !== "ready");
  const { problem, retry } = useLogging(timed);
  useSounds(timed, now);
  useAwake(timed?.phase === "open");
  useSound(timed?.phase === "open");
  if (!timed) return null;
  return <Face timed={timed} now={now} problem={problem} retry={retry} />;
}

const leftOf = (timed: Timed, now: number) =>
  timed.left_s === null ? null : timed.left_s - runningS(timed, now);

function useSounds(timed: Timed | null, now: number) {
  const habits = useQuery(wayQuery).data?.preferences.sounds;
  const said = useRef("");
  useEffect(() => {
    if (timed?.phase !== "open" || !habits) return;
    const left = leftOf(timed, now);
    const open = openS(timed, now);
    const at = left === null ? "" : left <= 0 ? "end" : left <= 5 ? `last ${Math.ceil(left)}` : "";
    const ten = `ten ${Math.floor(open / 10)}`;
    const next = at || ten;
    if (next === said.current) return;
    const first = said.current === "";
    said.current = next;
    if (at === "end" && habits.end) sound.end();
    else if (at.startsWith("last") && habits.last_five) sound.last();
    else if (!at && !first && habits.each_ten) sound.ten();
  }, [timed, now, habits]);
}

function Face({
  timed,
  now,
  problem,
  retry,
}: {
  timed: Timed;
  now: number;
  problem: { message: string; away: boolean } | null;
  retry: () => void;
}) {
  const main = useRef<HTMLButtonElement>(null);
  const way = useQuery(wayQuery).data;
  const { sounds } = way?.preferences ?? {};
  const after = way?.reminders[timed.reminded ?? remindersOf(false, false)]?.after;
  const left = leftOf(timed, now);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each phase has its own main button
  useEffect(() => main.current?.focus(), [timed.phase]);

  const open = () => {
    wakeSound();
    if (sounds?.start) sound.start();
    keepClock({ ...timed, phase: "open", since: Date.now() });
  };
  const closeFor = (phase: "paused" | "closed") => {
    const at = Date.now();
    keepClock({
      ...timed,
      phase,
      intervals: closedAt(timed, at),
      left_s: leftOf(timed, at),
      since: null,
    });
  };
  const isOpen = timed.phase === "open";
  const over = left !== null && left < 0;
  return (
    <OverAll
      label={`Clock for ${timed.title}`}
      title={timed.title}
      set={`${timed.where} · ${timed.setText}`}
    >
      {timed.phase === "ready" && (
        <Checklist reminded={timed.reminded ?? remindersOf(false, false)} />
      )}
      <Box
        textAlign="center"
        flex="1"
        display="flex"
        flexDirection="column"
        justifyContent="center"
      >
        <Box fontSize="15px" color="ink2">
          {timed.phase === "closed"
            ? "was open"
            : over
              ? "over by"
              : left === null
                ? "open"
                : "left"}
        </Box>
        <Box
          data-clock
          fontSize={{ base: "clamp(72px, 30vw, 128px)", md: "200px" }}
          lineHeight={1}
          fontWeight={620}
          letterSpacing="-0.02em"
          color={over && isOpen ? "brick" : "ink"}
          role="timer"
          aria-live="off"
        >
          {timed.phase === "closed" || left === null
            ? watchText(openS(timed, now))
            : watchText(Math.abs(left))}
        </Box>
        <Box fontSize="17px" color="ink2" aria-live="polite">
          {isOpen && over
            ? "Close the shutter now"
            : isOpen
              ? `shutter open ${watchText(openS(timed, now))}`
              : timed.phase === "paused"
                ? `paused: shutter closed, ${watchText(openS(timed, now))} given`
                : timed.phase === "closed"
                  ? `logging${after ? `. ${after}` : ""}`
                  : ""}
        </Box>
      </Box>
      {timed.light && (
        <Notice tone={timed.left_s === null ? "warning" : "note"}>{timed.light}</Notice>
      )}
      {problem && (
        <Notice tone={problem.away ? "caution" : "refusal"} live>
          {problem.away
            ? "Emulsa is not responding. The exposure is kept here and will be logged when it is back."
            : problem.message}
        </Notice>
      )}
      {(isOpen || timed.phase === "paused") && <Remeter timed={timed} />}
      <Grid templateColumns={isOpen ? "1fr 1fr" : "1fr"} gap="3">
        {timed.phase === "ready" && (
          <Button ref={main} variant="main" minHeight="72px" fontSize="21px" onClick={open}>
            Open the shutter
          </Button>
        )}
        {isOpen && (
          <>
            <Button minHeight="72px" fontSize="19px" onClick={() => closeFor("paused")}>
              Pause
            </Button>
            <Button
              ref={main}
              variant="main"
              minHeight="72px"
              fontSize="19px"
              onClick={() => closeFor("closed")}
            >
              Close and log
            </Button>
          </>
        )}
        {timed.phase === "paused" && (
          <>
            <Button ref={main} variant="main" minHeight="72px" fontSize="21px" onClick={open}>
              Open again
            </Button>
            <Button minHeight="56px" onClick={() => closeFor("closed")}>
              Log as is
            </Button>
          </>
        )}
        {timed.phase === "closed" && problem && !problem.away && (
          <Button ref={main} variant="main" minHeight="56px" onClick={retry}>
            Log again
          </Button>
        )}
      </Grid>
      <Flex justify="center">
        <GiveUp
          ready={timed.phase === "ready"}
          warning={
            timed.phase === "ready"
              ? ""
              : "The sheet has seen light; the exposure will not be in the log."
          }
          word="Discard"
          leave={() => keepClock(null)}
        />
      </Flex>
    </OverAll>
  );
}
