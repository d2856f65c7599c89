import { Box, Flex } from "@chakra-ui/react";
import { Link } from "wouter";
import { count } from "../../components/count";
import { Small } from "../../components/text";
import { useNarrow } from "../../components/useNarrow";
import { FilmTile } from "../../shared/drawn/FilmTile";
import { NWedge, type Slip, ToneSlip } from "../../shared/drawn/ToneSlip";
import type { DayExposure, OutingView } from "./queries";

type Scene = OutingView["scenes"][number];

/** Tiles of one scene that are drawn; a long bracket says how many more there are. */
const TILES = 6;

/** A scene of the day: its name and setting, its readings as they fall, N, and the film it took. */
export function SceneRow({
  scene,
  place,
  slip,
  made,
}: {
  scene: Scene;
  place: number;
  slip: Slip | undefined;
  made: DayExposure[];
}) {
  const narrow = useNarrow();
  const last = made.at(-1);
  const said = last
    ? last.set_text
    : [count(scene.readings, "reading"), scene.exposures === 0 && "not exposed"]
        .filter(Boolean)
        .join(", ");
  return (
    <Box as="li" borderBottom="1px solid" borderColor="line">
      <Link to={`/scene/${scene.id}`} style={{ textDecoration: "none", color: "inherit" }}>
        <Flex
          align="center"
          columnGap={{ base: "3", md: "4" }}
          rowGap="1"
          wrap={{ base: "wrap", md: "nowrap" }}
          paddingBlock="2"
          minHeight="58px"
          _hover={{ color: "accent" }}
        >
          <Box color="ink2" width="20px">
            {place}
          </Box>
          <Box flex="1" minWidth={{ base: "calc(100% - 40px)", md: "0" }} lineHeight={1.3}>
            <Box fontSize="17px" fontWeight={600}>
              {scene.title}
            </Box>
            <Small>{said}</Small>
          </Box>
          {slip && (
            <Flex
              gap={{ base: "2", md: "4" }}
              align="center"
              paddingLeft={{ base: "36px", md: "0" }}
            >
              <ToneSlip slip={slip} width={narrow ? 126 : undefined} />
              <Box width={{ md: "84px" }}>
                <NWedge n={slip.n} text={slip.n_text} />
              </Box>
            </Flex>
          )}
          <Flex
            gap="1"
            align="center"
            wrap="wrap"
            width={{ md: "132px" }}
            paddingLeft={{ base: made.length && !slip ? "36px" : "0", md: "0" }}
          >
            {made.slice(0, TILES).map((each) => (
              <FilmTile key={each.exposure_id} where={each.where} state={each.state} />
            ))}
            {made.length > TILES && <Box fontSize="14px">+{made.length - TILES}</Box>}
          </Flex>
        </Flex>
      </Link>
    </Box>
  );
}
