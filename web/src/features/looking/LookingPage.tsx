import { Box, Flex, Grid } from "@chakra-ui/react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import { Button } from "../../components/Button";
import { Small } from "../../components/text";
import { useNarrow } from "../../components/useNarrow";
import { useKeys } from "../../shared/keys";
import { Opened } from "../../shared/Opened";
import { RoomHeader } from "../../shared/RoomHeader";
import { useQueried } from "../../shared/useAddress";
import { Pane } from "./Pane";
import { Places } from "./Places";
import { type Comparison, comparisonQuery, type Seen } from "./queries";
import { type Looking, useLooking, useRestingLook } from "./useLook";
import { Words } from "./Words";

const STEP = 0.12; // of what is in sight, for an arrow key
const TIMES = 1.5;

/** One to six scans under one loupe: one place, one enlargement, and what is not the same. */
export function LookingPage() {
  const of = useQueried().get("of") ?? "";
  const [match, setMatch] = useState<{ x: number; y: number } | null>(null);
  const found = useQuery({ ...comparisonQuery(of, match), placeholderData: keepPreviousData });
  return (
    <Opened query={found} title="Side by side" back={["/log", "Back to the log"]}>
      {(view) => <Seeing view={view} match={match} setMatch={setMatch} />}
    </Opened>
  );
}

function Seeing({
  view,
  match,
  setMatch,
}: {
  view: Comparison;
  match: { x: number; y: number } | null;
  setMatch: (place: { x: number; y: number } | null) => void;
}) {
  const looking = useLooking();
  const narrow = useNarrow();
  const { seen } = view;
  useKeys({
    ArrowLeft: () => looking.move(-STEP, 0),
    ArrowRight: () => looking.move(STEP, 0),
    ArrowUp: () => looking.move(0, -STEP),
    ArrowDown: () => looking.move(0, STEP),
    "+": () => looking.nearer(TIMES),
    "=": () => looking.nearer(TIMES),
    "-": () => looking.nearer(1 / TIMES),
    "0": () => looking.whole(),
  });
  const several = seen.length > 1;
  const across = narrow ? Math.min(2, seen.length) : seen.length > 3 ? 3 : seen.length;
  const match_here = () => setMatch(match ? null : { x: looking.now.x, y: looking.now.y });
  return (
    <>
      <RoomHeader
        title={several ? "Side by side" : (seen[0]?.title ?? "")}
        sub={several ? subject(seen) : seen[0]?.name}
      >
        <Box display={{ base: "none", md: "block" }}>
          <Link to="/log">Back to the log</Link>
        </Box>
      </RoomHeader>
      <Box
        as="main"
        flex="1"
        minHeight="0"
        overflow="auto"
        display="flex"
        flexDirection="column"
        paddingInline={{ base: "4", md: "6" }}
        paddingBlock="2"
      >
        <Flex align="center" columnGap="5" rowGap="1" wrap="wrap" paddingBottom="2">
          <Places view={view} looking={looking} />
          <Box flex="1" />
          {several && (
            <Button variant="word" aria-pressed={Boolean(match)} onClick={match_here}>
              {match ? "Greys as scanned" : "Match greys here"}
            </Button>
          )}
          <Nearness looking={looking} />
        </Flex>
        <Grid
          templateColumns={`repeat(${across}, minmax(0, 1fr))`}
          gap={{ base: "2", md: "4" }}
          flex="1 0 auto"
        >
          {seen.map((each, place) => (
            <Flex key={each.id} as="figure" direction="column" minWidth="0">
              <Flex
                direction="column"
                style={{ aspectRatio: `${each.width} / ${each.height}` }}
                maxHeight={{
                  base: "62vh",
                  md: seen.length > 3 ? "36vh" : several ? "52vh" : "76vh",
                }}
                minHeight="120px"
              >
                <Pane seen={each} looking={looking} tilePx={view.tile_px} />
              </Flex>
              <Box as="figcaption" paddingTop="1">
                <Box fontWeight={650} overflowWrap="anywhere">
                  {each.exposure_id ? (
                    <Link to={`/log/${each.exposure_id}`}>{each.title}</Link>
                  ) : (
                    each.title
                  )}
                  {each.judgement?.best && " · best"}
                </Box>
                <Differences view={view} place={place} />
                <Words seen={each} />
              </Box>
            </Flex>
          ))}
        </Grid>
      </Box>
    </>
  );
}

/** What is not the same for this negative, and only that. */
function Differences({ view, place }: { view: Comparison; place: number }) {
  return (
    <Box as="dl" fontSize="15px">
      {view.differs.map((each) => (
        <Flex
          key={each.name}
          justify="space-between"
          gap="3"
          borderBottom="1px solid"
          borderColor="line"
          paddingBlock="1"
        >
          <Box as="dt" color="ink2" whiteSpace="nowrap">
            {each.name}
          </Box>
          <Box
            as="dd"
            textAlign="right"
            fontWeight={each.other[place] ? 650 : 400}
            color={each.other[place] ? "accent" : "ink"}
          >
            {each.values[place]}
          </Box>
        </Flex>
      ))}
    </Box>
  );
}

function Nearness({ looking }: { looking: Looking }) {
  const look = useRestingLook(looking);
  const whole = look.width >= looking.most;
  return (
    <Flex align="center" gap="1">
      <Button
        variant="quiet"
        aria-label="Further away"
        title="Further away (−)"
        disabled={whole}
        onClick={() => looking.nearer(1 / TIMES)}
      >
        −
      </Button>
      <Small role="status" minWidth="92px" textAlign="center">
        {whole ? "the whole picture" : `${Math.round(looking.most / look.width)} × nearer`}
      </Small>
      <Button
        variant="quiet"
        aria-label="Nearer"
        title="Nearer (+); also the wheel or two fingers"
        onClick={() => looking.nearer(TIMES)}
      >
        +
      </Button>
      <Button
        variant="word"
        disabled={whole}
        title="The whole picture (0)"
        onClick={() => looking.whole()}
      >
        Whole
      </Button>
    </Flex>
  );
}

/** What all of them show, where it is the same. */
function subject(seen: readonly Seen[]) {
  const titles = new Set(seen.map((each) => each.title.split(" · ")[1] ?? ""));
  return titles.size === 1 ? [...titles][0] : `${seen.length} negatives`;
}
