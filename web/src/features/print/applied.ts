import type { Shape } from "./queries";
import { pathOf } from "./shapes";

/* The preview: greys looked up in tables, area by area. The tables come from the core. */

/** Where an area counts, pixel by pixel, within the box it lies in. */
export interface Mask {
  id: string;
  left: number;
  top: number;
  right: number;
  bottom: number;
  /** 0 to 255 over the whole picture */
  counts: Uint8Array;
}

/** The grey of a picture: one level a pixel. */
export function levelsOf(pixels: Uint8ClampedArray): Uint8Array {
  const levels = new Uint8Array(pixels.length / 4);
  for (let place = 0; place < levels.length; place++) levels[place] = pixels[4 * place + 1] ?? 0;
  return levels;
}

/** An area rasterised with its soft edge. */
export function maskOf(id: string, shape: Shape, width: number, height: number): Mask {
  const canvas = document.createElement("canvas");
  canvas.width = width;
  canvas.height = height;
  const pen = canvas.getContext("2d", { willReadFrequently: true });
  const counts = new Uint8Array(width * height);
  const found = { id, left: width, top: height, right: 0, bottom: 0, counts };
  if (!pen) return found;
  const path = new Path2D(pathOf(shape, width, height));
  pen.fillStyle = "#fff";
  const soft = (shape.feather ?? 0.04) * Math.max(width, height);
  if (soft > 0.5) {
    // a blurred shadow thrown from outside the picture: soft edges in every browser
    const away = 4 * width;
    pen.translate(-away, 0);
    pen.shadowColor = "#fff";
    pen.shadowBlur = 2 * soft;
    pen.shadowOffsetX = away;
  }
  pen.fill(path, "evenodd");
  const { data } = pen.getImageData(0, 0, width, height);
  for (let y = 0, place = 0; y < height; y++) {
    for (let x = 0; x < width; x++, place++) {
      const count = data[4 * place + 3] ?? 0;
      if (!count) continue;
      counts[place] = count;
      if (x < found.left) found.left = x;
      if (x >= found.right) found.right = x + 1;
      if (y < found.top) found.top = y;
      if (y >= found.bottom) found.bottom = y + 1;
    }
  }
  return found;
}

/** Greys over the picture by the base table, then every area's difference where it counts. */
export function apply(
  levels: Uint8Array,
  width: number,
  base: readonly number[],
  areas: { mask: Mask; greys: readonly number[] }[],
  target: Uint32Array,
): void {
  const whole = Float32Array.from(base);
  if (areas.length === 0) {
    const packed = Uint32Array.from(base, (each) => pack(each));
    for (let place = 0; place < levels.length; place++)
      target[place] = packed[levels[place] ?? 0] ?? 0;
    return;
  }
  const sums = new Float32Array(levels.length);
  for (let place = 0; place < levels.length; place++) sums[place] = whole[levels[place] ?? 0] ?? 0;
  for (const { mask, greys } of areas) {
    const off = Float32Array.from(greys, (each, level) => (each - (whole[level] ?? 0)) / 255);
    for (let y = mask.top; y < mask.bottom; y++) {
      const end = y * width + mask.right;
      for (let place = y * width + mask.left; place < end; place++) {
        const count = mask.counts[place];
        if (count) sums[place] = (sums[place] ?? 0) + count * (off[levels[place] ?? 0] ?? 0);
      }
    }
  }
  for (let place = 0; place < levels.length; place++) {
    const value = sums[place] ?? 0;
    target[place] = pack(value < 0 ? 0 : value > 255 ? 255 : value + 0.5);
  }
}

const pack = (value: number) => {
  const grey = value | 0;
  return (0xff000000 | (grey << 16) | (grey << 8) | grey) >>> 0;
};
