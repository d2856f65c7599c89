import { Box, Dialog, Flex, Grid, Portal } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { CircleHelp, X } from "lucide-react";
import { lazy, type ReactNode, Suspense, useEffect, useMemo, useState } from "react";
import { Link, NavLink, Outlet, useLocation, useNavigate } from "react-router";
import { api, unwrap } from "../api/client";
import { putTroubleAway, useTrouble } from "../api/pending";
import { preferencesQuery } from "../api/queries";
import { readsOf } from "../api/reads";
import { useClocks } from "../clock/run";
import { useClock } from "../clock/state";
import { Button } from "../components/Button";
import { useDates, writeDates } from "../components/days";
import { Notice } from "../components/Notice";
import { Sheet } from "../components/Sheet";
import { readCarrying, useCarries, useCarrying } from "../field/mode";
import { useJournal } from "../shared/journal";
import { type Keys, useKeys } from "../shared/keys";
import { say, useSaid } from "../shared/saying";
import { MORE, ROOMS } from "./rooms";

const ExposureClock = lazy(async () => ({
  default: (await import("../features/clock")).ExposureClock,
}));

const Guide = lazy(async () => ({ default: (await import("../features/guide")).Guide }));

const ModeLine = lazy(async () => ({ default: (await import("../shared/carry")).ModeLine }));

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
  const written = useDates();
  const dates = useQuery(preferencesQuery).data?.measures?.dates;
  useEffect(() => {
    if (dates) writeDates(dates);
  }, [dates]);
  const carrying = useCarrying();
  const carries = useCarries();
  const timed = useClock();
  const clocks = useClocks();
  return (
    <Grid
      height="100dvh"
      templateColumns={{ base: "minmax(0,1fr)", md: "84px minmax(0,1fr)" }}
      templateRows={{ base: "minmax(0,1fr) auto", md: "minmax(0,1fr)" }}
      background="paper"
    >
      <Rail help={() => setHelp(true)} />
      <Flex direction="column" minHeight="0" minWidth="0" order={{ base: 0, md: 1 }}>
        {(carrying || carries || import.meta.env.MODE === "single") && (
          <Suspense>
            <ModeLine />
          </Suspense>
        )}
        <Trouble />
        <Said />
        {problem && (
          <Notice tone="refusal" live>
            {problem.message}
          </Notice>
        )}
        <Flex flex="1" minHeight="0" minWidth="0" direction={{ base: "column", md: "row" }}>
          {/* dates written anew are drawn anew */}
          <Flex key={written} direction="column" flex="1" minHeight="0" minWidth="0">
            <Outlet />
          </Flex>
          <Suspense>
            <Guide />
          </Suspense>
        </Flex>
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

function Rail({ help }: { help: () => void }) {
  const [more, setMore] = useState(false);
  const { pathname } = useLocation();
  const beyond = MORE.some((room) => pathname.startsWith(room.path));
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
        <Box
          key={room.path}
          asChild
          flex="1 1 0"
          maxHeight="56px"
          textDecoration="none"
          display={{ base: MORE.includes(room) ? "none" : "block", md: "block" }}
        >
          <NavLink to={room.path}>
            {({ isActive }) => (
              <Place active={isActive}>
                {room.name}
                <Box as="span" aria-hidden fontSize="12px" display={{ base: "none", md: "block" }}>
                  {room.key}
                </Box>
              </Place>
            )}
          </NavLink>
        </Box>
      ))}
      <Box
        as="button"
        flex="1 1 0"
        display={{ base: "block", md: "none" }}
        background="transparent"
        aria-haspopup="dialog"
        onClick={() => setMore(true)}
      >
        <Place active={beyond}>More</Place>
      </Box>
      <Button
        variant="quiet"
        display={{ base: "none", md: "inline-flex" }}
        marginTop="auto"
        marginBottom="3"
        aria-label="Help and keys"
        onClick={help}
      >
        <CircleHelp size={20} aria-hidden />
      </Button>
      <Sheet open={more} close={() => setMore(false)} title="More">
        <ul>
          {MORE.map((room) => (
            <MoreLink key={room.path} to={room.path} close={() => setMore(false)}>
              {room.name}
            </MoreLink>
          ))}
          <MoreLink to="/kit?do=preferences" close={() => setMore(false)}>
            Preferences
          </MoreLink>
          <li>
            <Button
              variant="choice"
              onClick={() => {
                setMore(false);
                help();
              }}
            >
              Help and keys
            </Button>
          </li>
        </ul>
      </Sheet>
    </Flex>
  );
}

function MoreLink({ to, close, children }: { to: string; close: () => void; children: ReactNode }) {
  return (
    <Box as="li" borderBottom="1px solid" borderColor="line">
      <Box asChild display="flex" alignItems="center" minHeight="52px" fontSize="17px">
        <Link to={to} onClick={close}>
          {children}
        </Link>
      </Box>
    </Box>
  );
}

/** A place in the bar of rooms. */
function Place({ active, children }: { active: boolean; children: ReactNode }) {
  return (
    <Flex
      direction="column"
      align="center"
      justify="center"
      height="56px"
      fontSize={{ base: "14px", md: "13px" }}
      color={active ? "accent" : "ink2"}
      fontWeight={active ? 650 : 400}
      background={active ? "accentSoft" : "transparent"}
      boxShadow={{
        base: active ? "inset 0 3px 0 var(--chakra-colors-accent)" : "none",
        md: active ? "inset 3px 0 0 var(--chakra-colors-accent)" : "none",
      }}
    >
      {children}
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
              <Dialog.Title>Help and keys</Dialog.Title>
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

/** What was just done, where the screen it was done on is gone. */
function Said() {
  const said = useSaid();
  return (
    <Box role="status">
      {said && (
        <Flex
          align="center"
          background="accentSoft"
          color="accent"
          fontWeight={600}
          paddingLeft={{ base: "4", md: "6" }}
          minHeight="44px"
        >
          <Box flex="1">{said}</Box>
          <Button variant="quiet" aria-label="Close this line" onClick={() => say(null)}>
            <X size={18} aria-hidden />
          </Button>
        </Flex>
      )}
    </Box>
  );
}

const HEALTH_MS = 60_000;

/** What is wrong with the data, or was not done of what was under way, above every room. */
function Trouble() {
  const refused = useTrouble();
  const trouble = useQuery({
    queryKey: ["health"],
    queryFn: () => unwrap(api.GET("/api/health")),
    refetchInterval: () => (readCarrying() ? false : HEALTH_MS), // a carried copy sleeps
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
