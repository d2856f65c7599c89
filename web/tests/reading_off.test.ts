import { describe, expect, it } from "vitest";
import { type Line, nearest, reached, readText } from "../src/features/bench/plot";
import { held } from "../src/features/bench/marks";

/* Curves as they are drawn: what lies nearest to the pointer, where a density is reached. */

const READINGS: { at: number; text: string; densities: Record<string, string> }[] = [
  { at: 2, text: "Zone II", densities: { N: "0.30", "N+1": "0.35" } },
  { at: 2 + 1 / 3, text: "Zone II⅓", densities: { N: "0.36" } },
  { at: 3, text: "Zone III", densities: {} },
];
const line = (id: string, points: [number, number][]) => ({ id, line: points }) as unknown as Line;

describe("reading off", () => {
  it.each([
    [-5, 0],
    [2.1, 0],
    [2.2, 1],
    [2.9, 2],
    [40, 2],
  ])("at %d the place is %d", (at, place) => {
    expect(nearest(READINGS, at)).toBe(place);
  });

  it("says what the curves that are shown have, in their order", () => {
    const [n, plus] = [line("N", []), line("N+1", [])];
    expect(readText(READINGS[0], [plus, n])).toBe("Zone II: N+1 0.35, N 0.30");
    expect(readText(READINGS[1], [plus, n])).toBe("Zone II⅓: N 0.36");
    expect(readText(READINGS[2], [n])).toBe("Zone III: no data");
    expect(readText(undefined, [n])).toBe("");
  });
});

describe("a density", () => {
  const rising = line("N", [
    [0, 0.1],
    [2, 0.3],
    [4, 1.1],
  ]);

  it.each([
    [0.2, 1],
    [0.3, 2],
    [0.7, 3],
    [1.1, 4],
  ])("%d is reached at %d", (density, at) => {
    expect(reached(rising, density)).toBeCloseTo(at, 9);
  });

  it("that lies under or over the curve is reached nowhere", () => {
    expect(reached(rising, 0.05)).toBeNull();
    expect(reached(rising, 1.2)).toBeNull();
  });

  it("is reached where the curve last comes up to it", () => {
    const dipping = line("N", [
      [0, 0.1],
      [1, 0.4],
      [2, 0.2],
      [3, 0.6],
    ]);
    expect(reached(dipping, 0.3)).toBeCloseTo(2.25, 9);
  });
});

it("a mark stays on its scan", () => {
  expect([held(-0.2), held(0.4), held(1.3)]).toEqual([0, 0.4, 1]);
});
