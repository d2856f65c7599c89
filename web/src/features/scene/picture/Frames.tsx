import { Box, Grid } from "@chakra-ui/react";
import { type ReactNode, useLayoutEffect, useRef } from "react";
import { useSize } from "../../../components/useSize";
import type { Pixels } from "../../../shared/picture/pixels";

/** A picture beside its print is no higher: the bridge lies under them. */
const HIGHEST = 236;
const GAP = 16;

/** One frame or two beside each other, at the picture's own shape. */
export function Frames({
  loaded,
  both,
  show,
  light,
  print,
  captions,
}: {
  loaded: Pixels | undefined;
  both: boolean;
  show: "both" | "picture" | "print";
  light: (width: number, height: number) => ReactNode;
  print: (width: number, height: number) => ReactNode;
  captions: [string, string];
}) {
  const [ref, size] = useSize<HTMLDivElement>();
  const room = both ? (size.width - GAP) / 2 : size.width;
  const aspect = loaded ? loaded.width / loaded.height : 1.5;
  const height = Math.round(Math.min(room / aspect, both ? HIGHEST : size.width * 0.8));
  const width = Math.round(height * aspect);
  const frames = [
    { name: "light", shown: show !== "print", caption: captions[0], draw: light },
    { name: "print", shown: show !== "picture", caption: captions[1], draw: print },
  ].filter((each) => each.shown);
  return (
    <Grid ref={ref} templateColumns={both ? "1fr 1fr" : "1fr"} columnGap={`${GAP}px`}>
      {size.width > 0 &&
        frames.map((each) => (
          <Box as="figure" key={each.name} minWidth="0" justifySelf="center">
            <Box position="relative" width={`${width}px`} height={`${height}px`} background="line">
              {each.draw(width, height)}
            </Box>
            <Box as="figcaption" fontSize="13px" color="ink2" lineHeight={1.3} paddingTop="1">
              {each.caption}
            </Box>
          </Box>
        ))}
    </Grid>
  );
}

export function Photograph({
  pixels,
  width,
  height,
}: {
  pixels: Pixels;
  width: number;
  height: number;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useLayoutEffect(() => {
    canvas.current?.getContext("2d")?.drawImage(pixels.image, 0, 0);
  }, [pixels]);
  return (
    <canvas
      ref={canvas}
      width={pixels.width}
      height={pixels.height}
      aria-hidden
      style={{ width, height, display: "block" }}
    />
  );
}
