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

interface Worked {
  id: string;
  greys: readonly number[];
}

/** What is drawn anew: a box of the picture. */
export interface Dirty {
  left: number;
  top: number;
  width: number;
  height: number;
}

/**
 * A picture as it prints: the base table, then every area's difference where it counts. When one
 * area alone changes, only its own box is worked again: that is what dragging its stops does.
 */
export class Preview {
  private readonly sums: Int32Array; // greys times 255
  private base: readonly number[] = [];
  private worked = new Map<string, readonly number[]>();
  private masks: readonly Mask[] = [];

  constructor(
    private readonly levels: Uint8Array,
    private readonly width: number,
    private readonly target: Uint32Array,
  ) {
    this.sums = new Int32Array(levels.length);
  }

  show(base: readonly number[], masks: readonly Mask[], areas: readonly Worked[]): Dirty | null {
    const greys = new Map(areas.map((each) => [each.id, each.greys]));
    const known = masks.filter((each) => greys.has(each.id));
    const same =
      alike(base, this.base) &&
      known.length === this.masks.length &&
      known.every((mask, place) => mask === this.masks[place]);
    const changed = same
      ? known.filter((mask) => !alike(greys.get(mask.id) ?? [], this.worked.get(mask.id) ?? []))
      : known;
    if (!same) this.lay(base);
    for (const mask of changed) {
      const before = same ? (this.worked.get(mask.id) ?? base) : base;
      this.add(mask, greys.get(mask.id) ?? base, before);
    }
    this.base = base;
    this.worked = greys;
    this.masks = known;
    const boxes = same ? changed : [{ left: 0, top: 0, right: this.width, bottom: this.height }];
    if (boxes.length === 0) return null;
    const left = Math.min(...boxes.map((each) => each.left));
    const top = Math.min(...boxes.map((each) => each.top));
    const right = Math.max(...boxes.map((each) => each.right));
    const bottom = Math.max(...boxes.map((each) => each.bottom));
    this.pack(left, top, right, bottom);
    return { left, top, width: right - left, height: bottom - top };
  }

  private get height() {
    return this.levels.length / this.width;
  }

  private lay(base: readonly number[]) {
    const { levels, sums } = this;
    const whole = Int32Array.from(base, (each) => 255 * each);
    for (let place = 0; place < sums.length; place++)
      sums[place] = whole[levels[place] as number] as number;
  }

  /** An area's greys in place of what it had before, as far as it counts. */
  private add(mask: Mask, greys: readonly number[], before: readonly number[]) {
    const { levels, sums, width } = this;
    const off = Int32Array.from(greys, (each, level) => each - (before[level] ?? 0));
    const { counts } = mask;
    for (let y = mask.top; y < mask.bottom; y++) {
      const end = y * width + mask.right;
      for (let place = y * width + mask.left; place < end; place++) {
        const count = counts[place] as number;
        if (count !== 0)
          sums[place] = (sums[place] as number) + count * (off[levels[place] as number] as number);
      }
    }
  }

  private pack(left: number, top: number, right: number, bottom: number) {
    const { sums, target, width } = this;
    for (let y = top; y < bottom; y++) {
      const end = y * width + right;
      for (let place = y * width + left; place < end; place++) {
        const sum = sums[place] as number;
        // a 255th by multiplying: exact enough for a grey
        const grey = sum <= 0 ? 0 : sum >= 65_025 ? 255 : ((sum + 127) * 32_897) / 8_388_608;
        target[place] = GREYS[grey | 0] as number;
      }
    }
  }
}

const alike = (one: readonly number[], two: readonly number[]) =>
  one === two || (one.length === two.length && one.every((each, place) => each === two[place]));

/** Every grey as a pixel: alpha, blue, green, red. */
const GREYS = Uint32Array.from(
  { length: 256 },
  (_, grey) => (0xff000000 | (grey << 16) | (grey << 8) | grey) >>> 0,
);
