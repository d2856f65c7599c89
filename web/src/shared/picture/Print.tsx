import { useLayoutEffect, useMemo, useRef } from "react";
import type { Schemas } from "../../api/calls";
import { indexesOf, painted } from "./lookUp";
import type { Grid } from "./pixels";

type Seen = Schemas["PictureSeen"];

/** The tables that were sent last: they are sent once, however often the rest is asked. */
export interface Known {
  tables: string;
  look_up: NonNullable<Seen["look_up"]>;
}

/** The tables that came with an answer; none where it left them out. */
export const tablesOf = (seen: Seen | null | undefined): Known | null =>
  seen?.look_up ? { tables: seen.tables, look_up: seen.look_up } : null;

/** Where the pixels stand, found anew only when the tables are other ones. */
export function useIndexes(pixels: Grid | undefined | null, known: Known | null, boxes: string) {
  return useMemo(
    () =>
      pixels && known
        ? indexesOf(pixels, known.look_up, boxes ? boxes.split(" ").map(Number) : [])
        : undefined,
    [pixels, known, boxes],
  );
}

/** One of several prints of a picture: another filter before the lens has tables of its own. */
export function PrintOf({
  pixels,
  indexes,
  print,
  ...rest
}: Omit<PrintProps, "indexes"> & { pixels: Grid; indexes: Uint16Array | undefined }) {
  const { look_up } = print;
  const known = useMemo(
    () => (look_up ? { tables: print.id, look_up } : null),
    [look_up, print.id],
  );
  const own = useIndexes(pixels, known, "");
  const by = own ?? indexes;
  return by ? <Print pixels={pixels} indexes={by} print={print} {...rest} /> : null;
}

interface PrintProps {
  pixels: { width: number; height: number };
  indexes: Uint16Array;
  print: Schemas["PrintSeen"];
  width: number;
  height: number;
  label: string;
}

/** The print to come, drawn from the core's greys. */
export function Print({ pixels, indexes, print, width, height, label }: PrintProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const sheet = useRef<ImageData | null>(null); // drawn upon again: a new one each time is 2 MB
  useLayoutEffect(() => {
    const pen = canvas.current?.getContext("2d");
    if (!pen || !print.grey.length) return;
    const { width, height } = pixels;
    if (sheet.current?.width !== width || sheet.current.height !== height)
      sheet.current = pen.createImageData(width, height);
    const drawn = sheet.current;
    painted(indexes, pixels.width, print, new Uint32Array(drawn.data.buffer));
    pen.putImageData(drawn, 0, 0);
    canvas.current?.setAttribute("data-drawn", print.n_text);
  }, [pixels, indexes, print]);
  return (
    <canvas
      ref={canvas}
      width={pixels.width}
      height={pixels.height}
      role="img"
      aria-label={label}
      style={{ width, height, display: "block" }}
    />
  );
}
