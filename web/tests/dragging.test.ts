import { describe, expect, it } from "vitest";
import { heldTo } from "../src/components/heldTo";
import {
  along,
  fitted,
  heights,
  labelled,
  lanes,
  shortened,
  spread,
  toneAt,
  widthOf,
} from "../src/features/scene/bridge/geometry";
import { HANDLES } from "../src/service/service";

/* Where tones lie on the bridge, and how what is dragged keeps to its steps. */

const LYING = { start: 100, cell: 80, upright: false };
const STANDING = { start: 20, cell: 40, upright: true };

describe("a rail", () => {
  it.each([LYING, STANDING])("reads off what it draws, upright: $upright", (span) => {
    for (const zone of [0, 1 / 3, 5, 9.5, 10]) {
      expect(toneAt(span, along(span, zone))).toBeCloseTo(zone, 10);
    }
  });

  it("has shadows on the left, or below", () => {
    expect(along(LYING, 0)).toBeLessThan(along(LYING, 10));
    expect(along(STANDING, 0)).toBeGreaterThan(along(STANDING, 10));
  });

  it("shows what lies beyond at its edge", () => {
    expect(along(LYING, -3)).toBe(along(LYING, -0.42));
    expect(along(LYING, 14)).toBe(along(LYING, 10.42));
  });
});

describe("what is dragged", () => {
  it.each([
    ["placement", 5.1, 5],
    ["placement", 5.3, 5 + 1 / 3],
    ["placement", -2, 0],
    ["placement", 12, 10],
    ["print_zone", 7.74, 7.5],
    ["print_zone", 7.76, 8],
    ["print_zone", 3, 4],
    ["match_net", 0.1049, 0.1],
    ["match_net", 0, 0.02],
    ["area_stops", 0.1, 1 / 12],
  ] as const)("%s at %d is %d", (name, value, held) => {
    expect(heldTo(HANDLES[name], value)).toBeCloseTo(held, 9);
  });

  it("has no digits of no meaning", () => {
    expect(String(heldTo(HANDLES.match_net, 0.3))).toBe("0.3");
    expect(String(heldTo(HANDLES.print_zone, 7.5))).toBe("7.5");
  });
});

describe("labels", () => {
  it("take the lowest lane that is free", () => {
    const label = (at: number) => ({ at, width: 80 });
    expect(lanes([label(100), label(300), label(120)], 4)).toEqual([0, 0, 1]);
    expect(lanes([label(100), label(110), label(120), label(130)], 4)).toEqual([0, 1, 2, 3]);
  });

  it("share the lane that ends first when there is no other", () => {
    const label = (at: number) => ({ at, width: 80 });
    expect(lanes([label(100), label(110), label(120)], 2)).toEqual([0, 1, 0]);
  });

  it("are cut to their room, never to less than four letters", () => {
    expect(shortened("winding house", 20)).toBe("winding house");
    expect(shortened("winding house", 8)).toBe("windin…");
    const near = [
      { at: 0, width: 80 },
      { at: 41, width: 80 },
    ];
    expect(fitted(["winding house", "wall"], near, [0, 0])).toEqual(["win…", "wall"]);
    expect(fitted(["winding house", "wall"], near, [0, 1])).toEqual(["winding house", "wall"]);
  });

  it("need room for what stands under a short name", () => {
    expect(widthOf("a")).toBe(80);
    expect(widthOf("a long name of a place")).toBeGreaterThan(180);
  });

  it("stand lane over lane", () => {
    expect(labelled(300, 1).head).toBe(labelled(300, 0).head - 44);
    expect(labelled(300, 0).words).toBeLessThan(labelled(300, 0).head);
  });
});

describe("positions that are too near", () => {
  it("are pushed apart by the gap, in their order", () => {
    const found = spread([100, 101, 102], 20, 0, 400);
    expect((found[1] ?? 0) - (found[0] ?? 0)).toBeGreaterThan(19.8);
    expect((found[2] ?? 0) - (found[1] ?? 0)).toBeGreaterThan(19.8);
    expect(found[1]).toBeCloseTo(101, 1);
  });

  it("stay between the ends, and where they are when there is room", () => {
    const found = spread([1, 2, 399], 20, 0, 400);
    expect(Math.min(...found)).toBeGreaterThanOrEqual(0);
    expect(spread([10, 200, 390], 20, 0, 400)).toEqual([10, 200, 390]);
  });
});

describe("heights", () => {
  it("bring the rails together before a name is cut off", () => {
    const [high, low] = [heights(700), heights(360)];
    expect(high.bottom - high.top - high.rail).toBeGreaterThan(low.bottom - low.top - low.rail);
    expect(high.room).toBeGreaterThanOrEqual(low.room);
    expect(low.room).toBeGreaterThanOrEqual(1);
  });
});
