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
  const { matted } = layout;
  const scale = LONGEST / Math.max(layout.width_mm, layout.height_mm, layout.image_width_mm);
  const [w, h] = [layout.width_mm * scale, layout.height_mm * scale];
  const [iw, ih] = [layout.image_width_mm * scale, layout.image_height_mm * scale];
  // the black edge lies between the margin and the image
  const edge = Math.max(0, layout.edge_mm) * scale;
  const [x, y] = [1 + layout.side_mm * scale + edge, 1 + layout.top_mm * scale + edge];
  return (
    <Box as="section" aria-label="The sheet">
      <Box as="h2" fontSize="17px" fontWeight={600} paddingBottom="2">
        The sheet
      </Box>
      <Flex gap="6" align="center" wrap="wrap">
        <svg width={w + 2} height={h + 2} role="img" aria-label="The image on its sheet, to scale">
          <rect x={1} y={1} width={w} height={h} fill="#fff" stroke="var(--chakra-colors-ink)" />
          {edge > 0 && (
            <rect x={x - edge} y={y - edge} width={iw + 2 * edge} height={ih + 2 * edge} />
          )}
          <rect
            x={x}
            y={y}
            width={iw}
            height={ih}
            fill={layout.fits ? "#999" : "#fff"}
            stroke={layout.fits ? "var(--chakra-colors-ink)" : "var(--chakra-colors-brick)"}
            strokeWidth={layout.fits ? 1 : 3}
          />
        </svg>
        {matted && <Mat matted={matted} layout={layout} />}
        <Box flex="1 1 200px">
          {layout.fits ? <Box>{layout.says}</Box> : <Notice tone="caution">{layout.says}</Notice>}
          {matted && <Box paddingTop="2">{matted.text}</Box>}
          {matted?.trouble && <Notice tone="caution">{matted.trouble}</Notice>}
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

/** The print in its mat, to scale: what the window shows of sheet and image. */
function Mat({
  matted,
  layout,
}: {
  matted: NonNullable<Worked["layout"]["matted"]>;
  layout: Worked["layout"];
}) {
  const scale = LONGEST / Math.max(matted.width_mm, matted.height_mm);
  const [ww, wh] = [matted.window_width_mm * scale, matted.window_height_mm * scale];
  const [x, y] = [1 + matted.side_mm * scale, 1 + matted.top_mm * scale];
  const [iw, ih] = [layout.image_width_mm * scale, layout.image_height_mm * scale];
  const [w, h] = [matted.width_mm * scale, matted.height_mm * scale];
  if (matted.side_mm < 0 || matted.top_mm < 0) return null;
  return (
    <svg width={w + 2} height={h + 2} role="img" aria-label="The print in its mat, to scale">
      <rect x={1} y={1} width={w} height={h} fill="#ddd" stroke="#111" strokeWidth={2} />
      <svg x={x} y={y} width={ww} height={wh} aria-hidden>
        <rect width={ww} height={wh} fill="#fff" />
        <rect x={(ww - iw) / 2} y={(wh - ih) / 2} width={iw} height={ih} fill="#999" />
      </svg>
      <rect x={x} y={y} width={ww} height={wh} fill="none" stroke="#777" />
    </svg>
  );
}
