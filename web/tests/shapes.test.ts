import { describe, expect, it } from "vitest";
import { levelsOf, type Mask, Preview } from "../src/features/print/applied";
import { middleOf, pathOf, TOUCHES } from "../src/features/print/shapes";

/* Areas of a print: their outlines, their labels, and greys laid through them. */

const shape = (kind: string, ...points: [number, number][]) =>
  ({ kind, points: points.map(([x, y]) => ({ x, y })) }) as Parameters<typeof pathOf>[0];

describe("an outline", () => {
  it("is a line until three places are touched, then closed and smooth", () => {
    expect(pathOf(shape("outline", [0.1, 0.2], [0.5, 0.5]), 100, 200)).toBe("M10 40L50 100");
    expect(pathOf(shape("outline", [0, 0], [1, 0], [1, 1]), 100, 100)).toMatch(/^M100,0C.*100,0$/);
  });

  it("of a circle goes through its second point", () => {
    const path = pathOf(shape("circle", [0.5, 0.5], [0.8, 0.9]), 100, 100);
    expect(path).toBe("M0 50A50 50 0 1 0 100 50A50 50 0 1 0 0 50Z");
  });

  it("of a corner reaches the corner it is nearest to", () => {
    expect(pathOf(shape("corner", [0.8, 0.2]), 100, 100)).toMatch(/^M100 0L80 0Q80 20 100 20Z$/);
    expect(pathOf(shape("corner", [0.2, 0.8]), 100, 100)).toMatch(/^M0 100L20 100/);
  });

  it("of a vignette is the whole picture with a hole", () => {
    expect(pathOf(shape("vignette", [0.9, 0.5]), 200, 100)).toMatch(/^M0 0H200V100H0ZM20 50A80 40/);
  });

  it("of an edge lies away from the middle", () => {
    const numbers = pathOf(shape("edge", [0, 0.2], [1, 0.2]), 100, 100).match(/-?[\d.]+/g) ?? [];
    const heights = numbers.map(Number).filter((_, place) => place % 2);
    expect(Math.max(...heights)).toBe(20);
    expect(Math.min(...heights)).toBe(-380);
  });

  it("is nothing before anything is touched", () => {
    for (const kind of Object.keys(TOUCHES)) expect(pathOf(shape(kind), 10, 10)).toBe("");
    expect(pathOf(shape("circle", [0.5, 0.5]), 10, 10)).toBe("");
    expect(pathOf(shape("edge", [0.5, 0.5]), 10, 10)).toBe("");
  });
});

describe("a label", () => {
  it.each([
    ["circle", [[0.3, 0.4], [0.9, 0.9]], { x: 0.3, y: 0.4 }],
    ["vignette", [[0.9, 0.9]], { x: 0.5, y: 0.06 }],
    ["corner", [[0.8, 0.2]], { x: 0.9, y: 0.1 }],
    ["outline", [[0, 0], [1, 0], [0.5, 0.9]], { x: 0.5, y: 0.3 }],
    ["edge", [[0.1, 0.1], [0.3, 0.1]], { x: 0.125, y: 0 }],
    ["outline", [], { x: 0.5, y: 0.5 }],
  ] as [string, [number, number][], { x: number; y: number }][])(
    "of a %s stands in it",
    (kind, points, at) => {
      const found = middleOf(shape(kind, ...points));
      expect(found.x).toBeCloseTo(at.x, 9);
      expect(found.y).toBeCloseTo(at.y, 9);
    },
  );
});

describe("a preview", () => {
  const base = Array.from({ length: 256 }, (_, level) => level);
  const darker = base.map((level) => Math.max(0, level - 40));
  const mask = (id: string, counts: number[], left: number, right: number): Mask => ({
    id,
    left,
    right,
    top: 0,
    bottom: 1,
    counts: Uint8Array.from(counts),
  });
  const grey = (target: Uint32Array) => [...target].map((each) => each & 255);

  it("lays each area where it counts, and softly at its edge", () => {
    const target = new Uint32Array(4);
    const preview = new Preview(Uint8Array.from([100, 100, 100, 100]), 4, target);
    const burned = mask("a", [0, 255, 51, 0], 1, 3);
    preview.show(base, [burned], [{ id: "a", greys: darker }]);
    expect(grey(target)).toEqual([100, 60, 92, 100]);
  });

  it("works only the box of the area that changed", () => {
    const target = new Uint32Array(4);
    const preview = new Preview(Uint8Array.from([100, 100, 100, 100]), 4, target);
    const masks = [mask("a", [255, 0, 0, 0], 0, 1), mask("b", [0, 0, 0, 255], 3, 4)];
    preview.show(base, masks, [
      { id: "a", greys: darker },
      { id: "b", greys: base },
    ]);
    const again = [
      { id: "a", greys: darker },
      { id: "b", greys: darker },
    ];
    expect(preview.show(base, masks, again)).toEqual({ left: 3, top: 0, width: 1, height: 1 });
    expect(grey(target)).toEqual([60, 100, 100, 60]);
    expect(preview.show(base, masks, again)).toBeNull();
    preview.show(base, [], []);
    expect(grey(target)).toEqual([100, 100, 100, 100]);
  });

  it("takes the green of a pixel for its grey", () => {
    expect([...levelsOf(Uint8ClampedArray.from([1, 20, 3, 255, 4, 50, 6, 255]))]).toEqual([20, 50]);
  });
});
