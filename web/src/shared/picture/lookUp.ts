import type { Schemas } from "../../api/calls";
import { distances, type Grid } from "./pixels";

/* Pixels looked up in the core's tables: where each stands on the EV axis, and how it prints. */

const [FINE, COARSE] = [4_096, 16];
const RINGS = 64;
const LAST = 1_024;
const OPAQUE = 0xff000000;
/** Lost in the shadow, lost in the light. */
const [BLACK, WHITE] = [0, 4];
const [APART, WIDE] = [9, 2]; // of the hatching, in pixels

type LookedUp = Schemas["LookedUp"];

/** Where every pixel stands on the EV axis, blurred as a hole blurs it. */
export function indexesOf(
  { rgba, width, height }: Grid,
  { red, green, blue, sum_index, falloff_index }: LookedUp,
  boxes: readonly number[] = [],
): Uint16Array {
  const [reds, greens, blues] = [red, green, blue].map((each) => Float32Array.from(each)) as [
    Float32Array,
    Float32Array,
    Float32Array,
  ];
  const sums = new Float32Array(width * height);
  for (let k = 0, at = 0; k < sums.length; k++, at += 4)
    sums[k] =
      (reds[rgba[at] ?? 0] ?? 0) +
      (greens[rgba[at + 1] ?? 0] ?? 0) +
      (blues[rgba[at + 2] ?? 0] ?? 0);
  for (const box of boxes) if (box > 1) blurred(sums, width, height, box);
  const places = Int32Array.from(sum_index);
  const last = places.length - 1;
  const falls = falloff_index.some(Boolean);
  const { across, down } = distances(width, height);
  const found = new Uint16Array(sums.length);
  for (let y = 0, k = 0; y < height; y++)
    for (let x = 0; x < width; x++, k++) {
      // halves are rounded up, as the core does; no sum is negative
      const sum = ((sums[k] ?? 0) + 0.5) | 0;
      const place = sum < FINE ? sum : FINE + (((sum - FINE) / COARSE) | 0);
      let index = places[place < last ? place : last] ?? 0;
      if (falls)
        index += falloff_index[(RINGS * ((across[x] ?? 0) + (down[y] ?? 0)) + 0.5) | 0] ?? 0;
      found[k] = index < 0 ? 0 : index > LAST ? LAST : index;
    }
  return found;
}

/** One pass of a box of odd width, across and down. */
function blurred(sums: Float32Array, width: number, height: number, box: number) {
  const half = (box - 1) / 2;
  const line = new Float32Array(Math.max(width, height));
  const pass = (start: number, step: number, many: number) => {
    for (let k = 0; k < many; k++) line[k] = sums[start + k * step] ?? 0;
    const at = (k: number) => line[Math.max(0, Math.min(many - 1, k))] ?? 0;
    let sum = 0;
    for (let k = -half; k <= half; k++) sum += at(k);
    for (let k = 0; k < many; k++) {
      sums[start + k * step] = sum / box;
      sum += at(k + half + 1) - at(k - half);
    }
  };
  for (let y = 0; y < height; y++) pass(y * width, 1, width);
  for (let x = 0; x < width; x++) pass(x, width, height);
}

/** The print: every pixel's grey; what has no texture left is hatched. */
export function painted(
  indexes: Uint16Array,
  width: number,
  { grey, mark }: { grey: readonly number[]; mark: readonly number[] },
  into: Uint32Array,
) {
  const plain = new Uint32Array(LAST + 1);
  const struck = new Uint32Array(LAST + 1);
  for (let k = 0; k <= LAST; k++) {
    const level = grey[k] ?? 0;
    const hatch = mark[k] === BLACK ? 110 : mark[k] === WHITE ? 150 : level;
    plain[k] = shade(level);
    struck[k] = shade(hatch);
  }
  // where in the hatching a pixel lies is counted: a division for each costs more than its grey
  for (let k = 0, y = 0; k < indexes.length; y++) {
    const end = Math.min(k + width, indexes.length);
    for (let slope = y % APART; k < end; k++) {
      const index = indexes[k] ?? 0;
      into[k] = (slope < WIDE ? struck[index] : plain[index]) ?? OPAQUE;
      if (++slope === APART) slope = 0;
    }
  }
}

const shade = (level: number) => (OPAQUE | (level << 16) | (level << 8) | level) >>> 0;
