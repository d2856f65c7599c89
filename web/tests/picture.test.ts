import { describe, expect, it } from "vitest";
import { indexesOf, painted } from "../src/shared/picture/lookUp";
import { levelsOf, type Pixels, ringsOf, spotAt, thinned, tilesOf } from "../src/shared/picture/pixels";

/* A picture's pixels, counted and looked up. */

const rgba = (...greys: number[]) =>
  Uint8ClampedArray.from(greys.flatMap((grey) => [grey, grey, grey, 255]));

describe("levels", () => {
  it("leave a grey what it is, at every level", () => {
    const all = Array.from({ length: 256 }, (_, level) => level);
    expect([...levelsOf(rgba(...all))]).toEqual(all);
  });

  it("are those of the light of the channels together, not of their mean", () => {
    // light of 255 red alone is 0.2126: the grey of it is 127 or 128, its mean would be 85
    const [red] = levelsOf(Uint8ClampedArray.from([255, 0, 0, 255]));
    expect(red).toBeGreaterThan(125);
    expect(red).toBeLessThan(130);
  });
});

/** Six by four: the left half dark, the right half light. */
const halves = Uint8Array.from({ length: 24 }, (_, k) => (k % 6 < 3 ? 40 : 200));

describe("a picture counted", () => {
  it("has every pixel in one ring, the middle in the first", () => {
    const rings = ringsOf(halves, 6, 4);
    const all = rings.flatMap(({ counts }) => counts);
    expect(all.reduce((sum, each) => sum + each, 0)).toBe(24);
    expect(rings.reduce((sum, { counts }) => sum + (counts[40] ?? 0), 0)).toBe(12);
    expect(rings[0]?.rho2).toBeCloseTo(1 / 16);
    expect((rings[0]?.counts[40] ?? 0) + (rings[0]?.counts[200] ?? 0)).toBe(4);
    expect(rings.at(-1)?.counts[40]).toBe(0); // corners' middles lie within
  });

  it("has tiles with their mean, their spread and what lies at the ends", () => {
    const { columns, rows, cells } = tilesOf(Uint8Array.from([0, 255, 100, 100]), 2, 2);
    expect([columns, rows]).toEqual([2, 2]);
    expect(cells.map((each) => each.clipped)).toEqual([1, 1, 0, 0]);
    const mixed = tilesOf(halves, 6, 4).cells;
    expect(mixed.every((each) => each.spread === 0)).toBe(true);
    expect(mixed[0]?.level).toBe(40);
  });

  it("has circles: their pixels, at the edge fewer, one at least", () => {
    const picture = { levels: halves, width: 6, height: 4 };
    const sum = (x: number, y: number, radius: number) =>
      spotAt(picture, x, y, radius).counts.reduce((total, each) => total + each, 0);
    expect(sum(0.5, 0.5, 0.2)).toBe(4);
    expect(sum(0, 0, 0.2)).toBe(1);
    expect(sum(0.25, 0.4, 0.001)).toBe(1);
    const across = spotAt(picture, 0.5, 0.5, 0.2).counts;
    expect([across[40], across[200]]).toEqual([2, 2]);
  });
});

const identity = Array.from({ length: 256 }, (_, level) => level);
const none = new Array<number>(256).fill(0);
const pixels = (width: number, height: number, ...greys: number[]) =>
  ({ width, height, rgba: rgba(...greys) }) as unknown as Pixels;
const tables = (falloff: number[] = new Array<number>(65).fill(0)) => ({
  red: identity.map((level) => 40 * level),
  green: none,
  blue: none,
  sum_index: Array.from({ length: 7936 }, (_, place) => Math.min(1024, place)),
  falloff_index: falloff,
});

describe("pixels looked up", () => {
  it("are told one by one below, sixteen together above", () => {
    // 40 × 100 = 4,000 is its own place; 40 × 200 = 8,000 is 4,096 + (8,000 − 4,096) / 16 = 4,340
    const own = { ...tables(), sum_index: Array.from({ length: 7936 }, (_, place) => place % 1000) };
    expect([...indexesOf(pixels(2, 1, 100, 200), own)]).toEqual([0, 340]);
  });

  it("are darker towards the corners by what the corners lose, and held at the ends", () => {
    const falls = Array.from({ length: 65 }, (_, place) => place);
    const flat = indexesOf(pixels(3, 3, ...new Array<number>(9).fill(5)), tables());
    const fallen = indexesOf(pixels(3, 3, ...new Array<number>(9).fill(5)), tables(falls));
    expect(flat[4]).toBe(200);
    expect(fallen[4]).toBe(200); // the middle
    expect(fallen[0]).toBeGreaterThan(fallen[1] ?? 0);
    expect(fallen[0]).toBe(fallen[8]);
    const least = falls.map(() => -9_999);
    expect(indexesOf(pixels(1, 1, 5), tables(least))[0]).toBe(0);
  });

  it("are blurred without losing light", () => {
    const sharp = pixels(9, 1, 0, 0, 0, 0, 9, 0, 0, 0, 0);
    const blurred = indexesOf(sharp, tables(), [3, 1, 1]);
    expect([...blurred]).toEqual([0, 0, 0, 120, 120, 120, 0, 0, 0]);
  });

  it("print as their grey; what is lost is striped", () => {
    const grey = Array.from({ length: 1025 }, (_, index) => (index < 10 ? 0 : index < 20 ? 128 : 255));
    const mark = grey.map((each) => (each === 0 ? 0 : each === 255 ? 4 : 2));
    const into = new Uint32Array(9);
    painted(new Uint16Array(9).fill(15), 9, { grey, mark }, into);
    expect(new Set(into)).toEqual(new Set([0xff808080]));
    painted(new Uint16Array(9).fill(5), 9, { grey, mark }, into);
    expect(new Set(into).size).toBe(2);
    expect([...into].filter((each) => each === 0xff000000)).toHaveLength(7);
    painted(new Uint16Array(9).fill(500), 9, { grey, mark }, into);
    expect([...into].filter((each) => each !== 0xffffffff)).toHaveLength(2);
  });

  it("is hatched aslant: two pixels of nine, a row one further than the one above", () => {
    const grey = Array.from({ length: 1025 }, () => 0);
    const mark = grey.map(() => 0);
    const into = new Uint32Array(4 * 11);
    painted(new Uint16Array(4 * 11), 4, { grey, mark }, into);
    const struck = [...into].flatMap((each, k) => (each === 0xff000000 ? [] : [k]));
    const aslant = [...into.keys()].filter((k) => ((k % 4) + Math.floor(k / 4)) % 9 < 2);
    expect(struck).toEqual(aslant);
  });
});

describe("a picture shown small", () => {
  it("has every second pixel across and down, the last column and row too", () => {
    const found = thinned({ rgba: rgba(...Array.from({ length: 20 }, (_, k) => k)), width: 5, height: 4 }, 2);
    expect([found.width, found.height]).toEqual([3, 2]);
    expect([...found.rgba].filter((_, at) => at % 4 === 0)).toEqual([0, 2, 4, 10, 12, 14]);
  });
});
