import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { question } from "../../api/ask";
import { useNarrow } from "../../components/useNarrow";
import { BEGUN } from "../../service/service";
import { PrintOf, tablesOf, useIndexes } from "./Print";
import { type Pixels, thinned } from "./pixels";
import { pixelsQuery } from "./pixelsQuery";

/** Beside each other on a phone, too. */
const [WIDE, NARROW] = [220, 162];
const EVERY = 2;
const NAMES: Record<string, string> = { planned: "as it was planned", given: "as it was exposed" };

/** What was seen before the shutter: the scene's picture, the print that was planned, and what was
    really given makes of it. */
export default function PlannedPrint({ id, pictureId }: { id: string; pictureId: string }) {
  const { data: pixels } = useQuery(pixelsQuery(pictureId));
  return pixels ? <Prints id={id} pictureId={pictureId} pixels={pixels} /> : null;
}

function Prints({ id, pictureId, pixels }: { id: string; pictureId: string; pixels: Pixels }) {
  const asked = { ...BEGUN.seeing, rings: pixels.rings };
  const { data } = useQuery(question("exposures_seen", { path: { id }, body: asked }));
  const known = useMemo(() => tablesOf(data), [data]);
  const small = useMemo(() => thinned(pixels, EVERY), [pixels]);
  const indexes = useIndexes(small, known, "");
  const width = useNarrow() ? NARROW : WIDE;
  const height = Math.round((width * pixels.height) / pixels.width);
  const prints = (data?.prints ?? []).filter((each) => each.grey.length);
  // two that are alike are one
  const shown = prints.filter(
    (each, place) => !place || each.grey.some((grey, k) => grey !== prints[0]?.grey[k]),
  );
  return (
    <Flex gap="4" wrap="wrap">
      <Figure wide={width} says="the scene's picture">
        <img
          src={`/api/attachments/${pictureId}/thumbnail`}
          alt="The scene"
          style={{ width, height }}
        />
      </Figure>
      {indexes &&
        shown.map((each) => (
          <Figure
            key={each.id}
            wide={width}
            says={`${NAMES[each.id]}, ${each.n_text}: ${each.says}`}
          >
            <PrintOf
              pixels={small}
              indexes={indexes}
              print={each}
              width={width}
              height={height}
              label={`Print ${NAMES[each.id]}`}
            />
          </Figure>
        ))}
    </Flex>
  );
}

function Figure({
  wide,
  says,
  children,
}: {
  wide: number;
  says: string;
  children: React.ReactNode;
}) {
  return (
    <Box as="figure" width={`${wide}px`}>
      {children}
      <Box as="figcaption" fontSize="13px" color="ink2" lineHeight={1.3} paddingTop="1">
        {says}
      </Box>
    </Box>
  );
}
