import { Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { lazy, type ReactNode, Suspense, useEffect, useMemo, useState } from "react";
import { useLocation } from "wouter";
import { preferencesQuery } from "../api/queries";
import { useMetUnread } from "../api/unread";
import { useClocks } from "../clock/run";
import { useClock } from "../clock/state";
import { Button } from "../components/Button";
import { useDates, writeDates } from "../components/days";
import { Notice } from "../components/Notice";
import { InSheets } from "../components/Sheet";
import { useCarries, useCarrying } from "../field/mode";
import { CommaAbove, CommaWithin } from "../shared/AskComma";
import { useJournal } from "../shared/journal";
import { type Keys, useKeys } from "../shared/keys";
import { Said, Trouble } from "./Lines";
import { Rail } from "./Rail";
import { ROOMS } from "./rooms";

const ExposureClock = lazy(async () => ({
  default: (await import("../features/clock")).ExposureClock,
}));

const Help = lazy(async () => ({ default: (await import("./Help")).Help }));

const Guide = lazy(async () => ({ default: (await import("../features/guide")).Guide }));

const ModeLine = lazy(async () => ({ default: (await import("../shared/carry")).ModeLine }));

const Unread = lazy(async () => ({ default: (await import("./Unread")).Unread }));

const RunClockFace = lazy(async () => ({
  default: (await import("../features/run")).RunClockFace,
}));

/** What stands in every room, around the one that is open. */
export function Shell({ children }: { children: ReactNode }) {
  const [, navigate] = useLocation();
  const { undo, redo, problem } = useJournal();
  const [help, setHelp] = useState(false);
  const keys = useMemo<Keys>(() => {
    const rooms = Object.fromEntries(
      ROOMS.map((room) => [`g ${room.key}`, () => navigate(room.path)]),
    );
    return {
      ...rooms,
      // a key that is held down means it once
      u: (event) => void (event.repeat || undo()),
      U: (event) => void (event.repeat || redo()),
      "?": () => setHelp(true),
    };
  }, [navigate, undo, redo]);
  useKeys(keys);
  const written = useDates();
  const dates = useQuery(preferencesQuery).data?.measures?.dates;
  useEffect(() => {
    if (dates) writeDates(dates);
  }, [dates]);
  const carrying = useCarrying();
  const carries = useCarries();
  const timed = useClock();
  const clocks = useClocks();
  const unread = useMetUnread();
  return (
    <InSheets.Provider value={<CommaWithin />}>
      <Grid
        height="100dvh"
        templateColumns={{ base: "minmax(0,1fr)", md: "84px minmax(0,1fr)" }}
        templateRows={{ base: "minmax(0,1fr) auto", md: "minmax(0,1fr)" }}
        background="paper"
      >
        <Skip />
        <Rail help={() => setHelp(true)} />
        <Flex direction="column" minHeight="0" minWidth="0" order={{ base: 0, md: 1 }}>
          {(carrying || carries || import.meta.env.MODE === "single") && (
            <Suspense>
              <ModeLine />
            </Suspense>
          )}
          <Trouble />
          {unread && (
            <Suspense>
              <Unread />
            </Suspense>
          )}
          <Said />
          <CommaAbove />
          {problem && (
            <Notice tone="refusal" live>
              {problem.message}
            </Notice>
          )}
          <Flex flex="1" minHeight="0" minWidth="0" direction={{ base: "column", md: "row" }}>
            {/* dates written anew are drawn anew */}
            <Flex key={written} direction="column" flex="1" minHeight="0" minWidth="0">
              {children}
            </Flex>
            <Suspense>
              <Guide />
            </Suspense>
          </Flex>
        </Flex>
        {help && (
          <Suspense>
            <Help close={() => setHelp(false)} />
          </Suspense>
        )}
        {clocks && (
          <Suspense>
            <RunClockFace />
          </Suspense>
        )}
        {timed && (
          <Suspense>
            <ExposureClock />
          </Suspense>
        )}
      </Grid>
    </InSheets.Provider>
  );
}

/** For who goes by Tab: past the rooms, into the one that is open. */
function Skip() {
  const skip = () => {
    const room = document.querySelector<HTMLElement>("main");
    room?.setAttribute("tabindex", "-1");
    room?.focus();
  };
  return (
    <Button
      position="absolute"
      top="2"
      left="2"
      zIndex={70}
      transform="translateY(-200%)"
      _focus={{ transform: "none" }}
      onClick={skip}
    >
      Skip to the room
    </Button>
  );
}
