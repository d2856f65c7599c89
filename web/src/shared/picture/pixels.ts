import type { Schemas } from "../../api/calls";

/* A picture's pixels, counted: nothing here knows what a level means for film. */

/** Pixels upright. */
export interface Grid {
  width: number;
  height: number;
  rgba: Uint8ClampedArray;
}

/** A picture as it is worked on: its pixels upright, each one's grey level by its light, and the whole
    counted in rings about its middle and in tiles. */
export interface Counted extends Grid {
  levels: Uint8Array;
  rings: Schemas["PhotoRing"][];
  tiles: Schemas["Tiles"];
}

/** With the picture itself, as large as it is worked on. */
export interface Pixels extends Counted {
  image: ImageBitmap;
}

const RINGS = 8;
const COLUMNS = 24;
const WANTED = 3;
const LEVELS = 256;
const FINE = 16_384;

/** A picture's pixels as they came from its file, counted. */
export function counted(rgba: Uint8ClampedArray, width: number, height: number): Counted {
  const levels = levelsOf(rgba);
  return {
    width,
    height,
    rgba,
    levels,
    rings: ringsOf(levels, width, height),
    tiles: tilesOf(levels, width, height),
  };
}

/** The light of a level of a screen, as a share (IEC 61966-2-1). */
const light = (level: number) => {
  const share = level / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
};

/** The grey level that has the light of a pixel's three channels together (ITU-R BT.709). */
export function levelsOf(rgba: Uint8ClampedArray): Uint8Array {
  const shares = Float32Array.from({ length: LEVELS }, (_, level) => light(level));
  const back = new Uint8Array(FINE + 1);
  for (let level = 0, at = 0; level < LEVELS; level++) {
    const next = level + 1 < LEVELS ? (light(level) + light(level + 1)) / 2 : 2;
    for (; at <= FINE && at / FINE < next; at++) back[at] = level;
  }
  const found = new Uint8Array(rgba.length / 4);
  for (let k = 0, at = 0; k < found.length; k++, at += 4) {
    const sum =
      0.2126 * (shares[rgba[at] ?? 0] ?? 0) +
      0.7152 * (shares[rgba[at + 1] ?? 0] ?? 0) +
      0.0722 * (shares[rgba[at + 2] ?? 0] ?? 0);
    found[k] = back[Math.round(sum * FINE)] ?? 0;
  }
  return found;
}

/** Every so many pixels across and down: enough for a picture that is shown small. */
export function thinned({ rgba, width, height }: Grid, every: number): Grid {
  const [across, down] = [Math.ceil(width / every), Math.ceil(height / every)];
  const all = new Uint32Array(rgba.buffer, rgba.byteOffset, width * height);
  const found = new Uint32Array(across * down);
  for (let y = 0, k = 0; y < down; y++)
    for (let x = 0; x < across; x++, k++) found[k] = all[y * every * width + x * every] ?? 0;
  return { rgba: new Uint8ClampedArray(found.buffer), width: across, height: down };
}

/** How far out each column and row lies, squared: together 1 in the corners. */
export function distances(width: number, height: number) {
  const aspect = width / height;
  const whole = (aspect * aspect + 1) / 4;
  const across = Float32Array.from(
    { length: width },
    (_, x) => (((x + 0.5) / width - 0.5) * aspect) ** 2 / whole,
  );
  const down = Float32Array.from(
    { length: height },
    (_, y) => ((y + 0.5) / height - 0.5) ** 2 / whole,
  );
  return { across, down };
}

export function ringsOf(levels: Uint8Array, width: number, height: number): Schemas["PhotoRing"][] {
  const { across, down } = distances(width, height);
  const counts = Array.from({ length: RINGS }, () => new Array<number>(LEVELS).fill(0));
  for (let y = 0, k = 0; y < height; y++)
    for (let x = 0; x < width; x++, k++) {
      const out = (across[x] ?? 0) + (down[y] ?? 0);
      const ring = counts[Math.min(RINGS - 1, Math.floor(out * RINGS))];
      const level = levels[k] ?? 0;
      if (ring) ring[level] = (ring[level] ?? 0) + 1;
    }
  return counts.map((each, ring) => ({ rho2: (ring + 0.5) / RINGS, counts: each }));
}

export function tilesOf(levels: Uint8Array, width: number, height: number): Schemas["Tiles"] {
  const columns = Math.min(COLUMNS, width);
  const rows = Math.max(1, Math.min(100, Math.round((columns * height) / width)));
  const cells: Schemas["TileCell"][] = [];
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const [left, right] = [edge(column, columns, width), edge(column + 1, columns, width)];
      const [top, bottom] = [edge(row, rows, height), edge(row + 1, rows, height)];
      let [sum, squares, ends, many] = [0, 0, 0, 0];
      for (let y = top; y < bottom; y++)
        for (let x = left; x < right; x++) {
          const level = levels[y * width + x] ?? 0;
          sum += level;
          squares += level * level;
          if (level === 0 || level === LEVELS - 1) ends++;
          many++;
        }
      const mean = many ? sum / many : 0;
      const spread = many ? Math.sqrt(Math.max(0, squares / many - mean * mean)) : 0;
      cells.push({ level: mean, spread, clipped: many ? ends / many : 0 });
    }
  return { columns, rows, cells, wanted: WANTED };
}

const edge = (place: number, of: number, size: number) => Math.round((place * size) / of);

/** What a circle of the picture holds; the pixel nearest to its middle at least. */
export function spotAt(
  { levels, width, height }: Pick<Pixels, "levels" | "width" | "height">,
  x: number,
  y: number,
  radius: number,
): Schemas["Spot"] {
  const counts = new Array<number>(LEVELS).fill(0);
  const count = (column: number, row: number) => {
    const level = levels[row * width + column] ?? 0;
    counts[level] = (counts[level] ?? 0) + 1;
  };
  const reach = radius * width;
  const [middleX, middleY] = [x * width, y * height];
  let many = 0;
  for (
    let row = Math.max(0, Math.floor(middleY - reach));
    row <= Math.min(height - 1, middleY + reach);
    row++
  )
    for (
      let column = Math.max(0, Math.floor(middleX - reach));
      column <= Math.min(width - 1, middleX + reach);
      column++
    )
      if (Math.hypot(column + 0.5 - middleX, row + 0.5 - middleY) <= reach) {
        count(column, row);
        many++;
      }
  if (!many)
    count(
      Math.min(width - 1, Math.max(0, Math.floor(middleX))),
      Math.min(height - 1, Math.max(0, Math.floor(middleY))),
    );
  return { x, y, radius, counts };
}
