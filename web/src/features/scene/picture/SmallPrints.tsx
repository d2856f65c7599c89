import { Box, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { BEGUN } from "../../../service/service";
import { PrintOf, tablesOf, useIndexes } from "../../../shared/picture/Print";
import { thinned } from "../../../shared/picture/pixels";
import { pixelsQuery } from "../../../shared/picture/pixelsQuery";
import { useLatest } from "../../../shared/useLatest";
import type { Edit, Scene } from "../queries";
import { type Asked, type Picture, seen } from "./queries";

const EVERY = 3;
const USUAL = 1.5; // width over height, before it is known
const [WIDE, NARROW] = [150, 104];

/** Ways of taking the scene, each as the print it would become, the same size and the same key. */
export default function SmallPrints({
  scene,
  picture,
  ways,
  columns,
  named,
}: {
  scene: Scene;
  picture: Picture;
  ways: { id: string; name: string; edits?: Edit[]; error_stops?: number }[];
  columns: string;
  /** nothing under it says which is which */
  named?: boolean;
}) {
  const { data: pixels } = useQuery(pixelsQuery(picture.attachment.id));
  const asking = useMemo<Asked | null>(
    () =>
      pixels
        ? {
            scene,
            edits: [],
            asked: {
              ...BEGUN.seeing,
              rings: pixels.rings,
              ways: ways.map(({ id, edits = [], error_stops = 0 }) => ({ id, edits, error_stops })),
            },
          }
        : null,
    [scene, pixels, ways],
  );
  const found = useLatest(asking, seen) ?? undefined;
  const known = useMemo(() => tablesOf(found), [found]);
  const small = useMemo(() => pixels && thinned(pixels, EVERY), [pixels]);
  const indexes = useIndexes(small, known, "");
  const width = named ? NARROW : WIDE;
  // what is under them does not move when they come
  const height = Math.round(pixels ? (width * pixels.height) / pixels.width : width / USUAL);
  return (
    <Grid templateColumns={columns} paddingTop="1" role="group" aria-label="As each would print">
      {ways.map(({ id, name }) => {
        const print = found?.prints.find((each) => each.id === id);
        return (
          <Box key={id} paddingInline="2" minHeight={`${height}px`}>
            {small && print?.grey.length ? (
              <PrintOf
                pixels={small}
                indexes={indexes}
                print={print}
                width={width}
                height={height}
                label={`${name}: ${print.says}`}
              />
            ) : null}
            {named && (
              <Box fontSize="13px" color="ink2" lineHeight={1.25}>
                {name}
              </Box>
            )}
          </Box>
        );
      })}
    </Grid>
  );
}
