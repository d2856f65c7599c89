import { useLayoutEffect, useMemo, useRef } from "react";
import type { Schemas } from "../../api/calls";
import { indexesOf, painted } from "./lookUp";
import type { Pixels } from "./pixels";

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
export function useIndexes(pixels: Pixels | undefined, known: Known | null, boxes: string) {
  return useMemo(
    () =>
      pixels && known
        ? indexesOf(pixels, known.look_up, boxes ? boxes.split(" ").map(Number) : [])
        : undefined,
    [pixels, known, boxes],
  );
}

/** The print to come, drawn from the core's greys. */
export function Print({
  pixels,
  indexes,
  print,
  width,
  height,
  label,
}: {
  pixels: { width: number; height: number };
  indexes: Uint16Array;
  print: Schemas["PrintSeen"];
  width: number;
  height: number;
  label: string;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useLayoutEffect(() => {
    const pen = canvas.current?.getContext("2d");
    if (!pen || !print.grey.length) return;
    const drawn = pen.createImageData(pixels.width, pixels.height);
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
