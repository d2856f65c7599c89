import { Box, Flex } from "@chakra-ui/react";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import type { Worked } from "./queries";

const LONGEST = 190; // px

/** The sheet to scale, with the image on it as it lies. */
export function Layout({
  layout,
  turn,
  edit,
}: {
  layout: Worked["layout"];
  turn: () => void;
  edit: () => void;
}) {
  const scale = LONGEST / Math.max(layout.width_mm, layout.height_mm, layout.image_width_mm);
  const [w, h] = [layout.width_mm * scale, layout.height_mm * scale];
  const [iw, ih] = [layout.image_width_mm * scale, layout.image_height_mm * scale];
  return (
    <Box as="section" aria-label="The sheet">
      <Box as="h2" fontSize="17px" fontWeight={600} paddingBottom="2">
        The sheet
      </Box>
      <Flex gap="6" align="center" wrap="wrap">
        <svg width={w + 2} height={h + 2} role="img" aria-label="The image on its sheet, to scale">
          <rect x={1} y={1} width={w} height={h} fill="#fff" stroke="var(--chakra-colors-ink)" />
          <rect
            x={1 + (w - iw) / 2}
            y={1 + (h - ih) / 2}
            width={iw}
            height={ih}
            fill={layout.fits ? "#999" : "#fff"}
            stroke={layout.fits ? "var(--chakra-colors-ink)" : "var(--chakra-colors-brick)"}
            strokeWidth={layout.fits ? 1 : 3}
          />
        </svg>
        <Box flex="1 1 200px">
          {layout.fits ? <Box>{layout.says}</Box> : <Notice tone="caution">{layout.says}</Notice>}
          <Flex gap="2" wrap="wrap" paddingTop="3">
            <Button onClick={turn}>Turn the sheet</Button>
            <Button variant="quiet" onClick={edit}>
              Change sizes
            </Button>
          </Flex>
        </Box>
      </Flex>
    </Box>
  );
}
