import { queryOptions } from "@tanstack/react-query";
import { here } from "../../../api/here";
import { OWN } from "../../../api/own";
import { transport } from "../../../api/transport";
import type { PractisedField } from "./queries";

/* A practised scene's cells: those of a mosaic come with the answer, those of a drawn scene as a
   picture whose red and green are sixteen bits, the lower eleven an entry of the EV axis, the upper
   five the place. */

const [INDEX, PLACE] = [0x7ff, 11];
const LAST = 1_024;
const OPAQUE = 0xff000000;

/** Cells by rows: entries of the EV axis as they were painted, and the place of each. */
export interface Cells {
  columns: number;
  rows: number;
  index: Uint16Array;
  place: Uint8Array | null;
}

/** The cells of a drawn scene, read out of its picture once. */
export const paintedQuery = (name: string) =>
  queryOptions({
    queryKey: ["painted", name],
    queryFn: () => painted(name),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  });

async function painted(name: string): Promise<Cells> {
  const address = here(`/api/practice/drawn/${name}.png`);
  const answer = await transport(new Request(address, { headers: OWN }));
  if (!answer.ok) throw new Error("The picture of this scene is not there.");
  return cellsOf(await createImageBitmap(await answer.blob(), AS_IT_IS));
}

// its colours are numbers
const AS_IT_IS: ImageBitmapOptions = { colorSpaceConversion: "none", premultiplyAlpha: "none" };

function cellsOf(image: ImageBitmap): Cells {
  const { width, height } = image;
  const canvas = document.createElement("canvas");
  canvas.width = width;
  canvas.height = height;
  const pen = canvas.getContext("2d", { willReadFrequently: true });
  pen?.drawImage(image, 0, 0);
  const rgba = pen?.getImageData(0, 0, width, height).data ?? new Uint8ClampedArray();
  const index = new Uint16Array(width * height);
  const place = new Uint8Array(width * height);
  for (let k = 0, at = 0; k < index.length; k++, at += 4) {
    const bits = ((rgba[at] ?? 0) << 8) | (rgba[at + 1] ?? 0);
    index[k] = bits & INDEX;
    place[k] = bits >> PLACE;
  }
  return { columns: width, rows: height, index, place };
}

/** The cells of a mosaic. */
export const mosaic = ({ columns, rows, index }: PractisedField): Cells => ({
  columns,
  rows,
  index: Uint16Array.from(index),
  place: null,
});

/** Cells as greys by the EV axis, each place moved as far as its light did. */
export function inGreys(
  { index, place }: Cells,
  moved: readonly number[],
  grey: readonly number[],
  into: Uint32Array,
) {
  const shades = Uint32Array.from(grey, (level) => OPAQUE | (level << 16) | (level << 8) | level);
  for (let k = 0; k < index.length; k++) {
    const at = (index[k] ?? 0) + (place ? (moved[place[k] ?? 0] ?? 0) : 0);
    into[k] = shades[at < 0 ? 0 : at > LAST ? LAST : at] ?? OPAQUE;
  }
}
