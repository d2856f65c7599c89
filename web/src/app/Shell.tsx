import { Box, Dialog, Flex, Grid, Portal } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useMemo, useState } from "react";
import { NavLink, Outlet, useNavigate } from "react-router";
import { api, unwrap } from "../api/client";
import { putTroubleAway, useTrouble } from "../api/pending";
import { readsOf } from "../api/reads";
import { useClocks } from "../clock/run";
import { useClock } from "../clock/state";
import { Button } from "../components/Button";
import { Notice } from "../components/Notice";
import { useJournal } from "../shared/journal";
import { type Keys, useKeys } from "../shared/keys";
import { ROOMS } from "./rooms";

const ExposureClock = lazy(async () => ({
  default: (await import("../features/clock")).ExposureClock,
}));

const RunClockFace = lazy(async () => ({
  default: (await import("../features/run")).RunClockFace,
}));

const KEYS = [
  [ROOMS.map((room) => room.key).join(" "), ROOMS.map((room) => room.name).join(", ")],
  ["/", "in Scene: type a reading, as 9 shade III, f/32, draw 30; in Log: search"],
  ["e · b", "expose the scene on a loaded side · a bracket"],
  ["u · U", "undo · redo the last action"],
  ["← →", "move the pin or N handle that has the focus"],
  ["↓ ↑ Home End", "in Log: from line to line; Enter opens, v changes lines and pictures"],
  ["?", "this list"],
] as const;

export function Shell() {
  const navigate = useNavigate();
  const { undo, redo, problem } = useJournal();
  const [help, setHelp] = useState(false);
  const keys = useMemo<Keys>(() => {
    const rooms = Object.fromEntries(ROOMS.map((room) => [room.key, () => navigate(room.path)]));
    return {
      ...rooms,
      // a key that is held down means it once
      u: (event) => void (event.repeat || undo()),
      U: (event) => void (event.repeat || redo()),
      "?": () => setHelp(true),
    };
  }, [navigate, undo, redo]);
  useKeys(keys);
  const timed = useClock();
  const clocks = useClocks();
  return (
    <Grid
      height="100dvh"
      templateColumns={{ base: "minmax(0,1fr)", md: "84px minmax(0,1fr)" }}
      templateRows={{ base: "minmax(0,1fr) auto", md: "minmax(0,1fr)" }}
      background="paper"
    >
      <Rail />
      <Flex direction="column" minHeight="0" minWidth="0" order={{ base: 0, md: 1 }}>
        <Trouble />
        {problem && (
          <Notice tone="refusal" live>
            {problem.message}
          </Notice>
        )}
        <Outlet />
      </Flex>
      <Help open={help} close={() => setHelp(false)} />
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
  );
}

function Rail() {
  return (
    <Flex
      as="nav"
      aria-label="Rooms"
      order={{ base: 1, md: 0 }}
      direction={{ base: "row", md: "column" }}
      background="sheet"
      borderColor="line"
      borderStyle="solid"
      borderWidth="0"
      borderRightWidth={{ md: "1px" }}
      borderTopWidth={{ base: "1px", md: "0" }}
      paddingTop={{ md: "3" }}
      paddingBottom={{ base: "env(safe-area-inset-bottom)", md: "0" }}
    >
      <Box
        display={{ base: "none", md: "block" }}
        textAlign="center"
        fontWeight={750}
        letterSpacing="0.04em"
        fontSize="14px"
        paddingBottom="5"
        paddingTop="2"
      >
        emulsa
      </Box>
      {ROOMS.map((room) => (
        <NavLink
          key={room.path}
          to={room.path}
          style={{ flex: "1 1 0", maxHeight: 56, textDecoration: "none" }}
        >
          {({ isActive }) => (
            <Flex
              direction="column"
              align="center"
              justify="center"
              height={{ base: "56px", md: "56px" }}
              fontSize={{ base: "14px", md: "13px" }}
              color={isActive ? "accent" : "ink2"}
              fontWeight={isActive ? 650 : 400}
              background={isActive ? "accentSoft" : "transparent"}
              boxShadow={{
                base: isActive ? "inset 0 3px 0 var(--chakra-colors-accent)" : "none",
                md: isActive ? "inset 3px 0 0 var(--chakra-colors-accent)" : "none",
              }}
            >
              {room.name}
              <Box as="span" aria-hidden fontSize="12px" display={{ base: "none", md: "block" }}>
                {room.key}
              </Box>
            </Flex>
          )}
        </NavLink>
      ))}
    </Flex>
  );
}

function Help({ open, close }: { open: boolean; close: () => void }) {
  return (
    <Dialog.Root open={open} onOpenChange={(change) => !change.open && close()}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content>
            <Dialog.Header>
              <Dialog.Title>Keys</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body>
              <table>
                <tbody>
                  {KEYS.map(([key, what]) => (
                    <tr key={key}>
                      <Box
                        as="th"
                        textAlign="left"
                        paddingBlock="2"
                        paddingRight="6"
                        whiteSpace="nowrap"
                      >
                        {key}
                      </Box>
                      <td>{what}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
              <Box color="ink2" marginTop="3" fontSize="14px">
                Never aim a meter or a viewfinder at the sun. Follow the makers' instructions and
                local rules; this program advises.
              </Box>
            </Dialog.Body>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}

const HEALTH_MS = 60_000;

/** What is wrong with the data, or was not done of what was under way, above every room. */
function Trouble() {
  const refused = useTrouble();
  const trouble = useQuery({
    queryKey: ["health"],
    queryFn: () => unwrap(api.GET("/api/health")),
    refetchInterval: HEALTH_MS,
    retry: false,
    ...readsOf("/api/health"),
  }).data?.trouble;
  return (
    <>
      {trouble && (
        <Notice tone="warning" live>
          {trouble}
        </Notice>
      )}
      {refused && (
        <Notice tone="refusal" live>
          What was under way when the page was closed was not done: {refused}{" "}
          <Button variant="word" onClick={putTroubleAway}>
            Understood
          </Button>
        </Notice>
      )}
    </>
  );
}
