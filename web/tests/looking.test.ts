import { describe, expect, it } from "vitest";
import { held, inSight, levelFor, nearer, scaleOf, tallness, wholeIn } from "../src/features/looking/look";
import { Looking } from "../src/features/looking/useLook";

/* One place and one enlargement for several pictures, told in shares of each. */

const PICTURE = { width: 12_000, height: 8_000 };
const PANE = { width: 600, height: 400 };

describe("a look", () => {
  it("keeps what is under the hand where it is", () => {
    const look = { x: 0.5, y: 0.5, width: 0.5 };
    const near = nearer(look, 2, { atX: 0.25, atY: -0.25, tall: tallness(PICTURE, PANE) });
    expect(near.width).toBe(0.25);
    // the place a quarter right of the middle, a quarter above it
    expect(near.x + 0.25 * near.width).toBeCloseTo(look.x + 0.25 * look.width);
    expect(near.y - 0.25 * near.width).toBeCloseTo(look.y - 0.25 * look.width);
  });

  it("does not leave the picture", () => {
    expect(held({ x: 0.01, y: -3, width: 0.5 })).toEqual({ x: 0.25, y: 0, width: 0.5 });
    expect(held({ x: 0.99, y: 4, width: 0.5 })).toEqual({ x: 0.75, y: 1, width: 0.5 });
    expect(held({ x: 0.2, y: 0.2, width: 9 })).toEqual({ x: 0.5, y: 0.5, width: 1 });
    expect(held({ x: 0.2, y: 0.2, width: 1.2 }, 1.5).width).toBe(1.2);
    expect(held({ x: 0.2, y: 0.2, width: 1e-9 }).width).toBe(0.004);
  });

  it("is whole when all of the picture is in sight", () => {
    expect(wholeIn(PICTURE, PANE)).toBe(1);
    expect(wholeIn(PICTURE, { width: 600, height: 200 })).toBeCloseTo(2);
    expect(wholeIn(PICTURE, { width: 600, height: 900 })).toBe(1);
  });
});

describe("tiles", () => {
  it("are as fine as the window shows, never finer", () => {
    expect(levelFor(1, 6, 1)).toBe(0); // a point for a point
    expect(levelFor(3, 6, 1)).toBe(0);
    expect(levelFor(1 / 2, 6, 1)).toBe(1);
    expect(levelFor(1 / 3, 6, 1)).toBe(1);
    expect(levelFor(1 / 4, 6, 2)).toBe(1); // on a screen of twice as many points
    expect(levelFor(1 / 500, 6, 1)).toBe(5);
  });

  it("are those in sight and no others", () => {
    const whole = { x: 0.5, y: 0.5, width: 1 };
    expect(scaleOf(whole, PICTURE, PANE)).toBe(0.05);
    const all = inSight(whole, PICTURE, PANE, 4, 512);
    expect(all.map(({ column, row }) => [column, row])).toEqual([
      [0, 0],
      [1, 0],
    ]);
    expect(all[1]).toMatchObject({ left: 8192, top: 0, side: 8192, level: 4 });
    const near = { x: 0.5, y: 0.5, width: 0.05 };
    // 600 × 400 points about 6000, 4000: columns from 5700 to 6300, rows from 3800 to 4200
    expect(inSight(near, PICTURE, PANE, 0, 512).map(({ column, row }) => [column, row])).toEqual([
      [11, 7],
      [12, 7],
      [11, 8],
      [12, 8],
    ]);
  });
});

describe("looking together", () => {
  it("tells everyone at once, and stays whole when the window changes", () => {
    const looking = new Looking();
    const told: number[] = [];
    const stop = looking.listen(() => told.push(looking.now.width));
    looking.nearer(2);
    looking.move(0.5, 0);
    expect(looking.now).toEqual({ x: 0.75, y: 0.5, width: 0.5 });
    stop();
    looking.whole();
    expect(told).toEqual([0.5, 0.5]);
    looking.fit(1.4);
    expect(looking.now.width).toBe(1.4);
    looking.nearer(2);
    looking.fit(1.2);
    expect(looking.now.width).toBe(0.7);
  });
});
