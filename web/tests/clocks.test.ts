import { beforeEach, describe, expect, it, vi } from "vitest";
import { going, keepRun, putAway, READY, readClocks, readRun, runS, show, stepAt, totalS } from "../src/clock/run";
import { closedAt, openS, runningS, watchText, type Timed } from "../src/clock/state";
import { asTyped, typedIn } from "../src/components/typedNumber";
import { count } from "../src/components/count";
import { offered } from "../src/shared/offered";

/* Clocks count from the wall, and are kept outside the page. */

const stored = new Map<string, string>();
vi.stubGlobal("localStorage", {
  getItem: (key: string) => stored.get(key) ?? null,
  setItem: (key: string, text: string) => stored.set(key, text),
  removeItem: (key: string) => stored.delete(key),
});
beforeEach(() => putAway("a") ?? putAway("b"));

describe("an exposure", () => {
  const timed = {
    intervals: [{ metered_s: 2, elapsed_s: 5 }],
    now_metered_s: 3,
    since: 10_000,
  } as unknown as Timed;

  it("counts from the wall clock, what was closed with it", () => {
    expect(runningS(timed, 12_500)).toBe(2.5);
    expect(openS(timed, 12_500)).toBe(7.5);
    expect(openS({ ...timed, since: null }, 12_500)).toBe(5);
    expect(runningS(timed, 9_000)).toBe(0); // a clock that was set back
  });

  it("closes the running interval in its own light", () => {
    expect(closedAt(timed, 12_500)).toEqual([
      { metered_s: 2, elapsed_s: 5 },
      { metered_s: 3, elapsed_s: 2.5 },
    ]);
    expect(closedAt({ ...timed, since: null }, 12_500)).toHaveLength(1);
  });

  it.each([
    [0, "0.0"],
    [9.44, "9.4"],
    [19.96, "20.0"],
    [20, "0:20"],
    [65, "1:05"],
    [409.9999999, "6:50"],
    [-3, "0.0"],
  ])("%d s is %s", (seconds, text) => {
    expect(watchText(seconds)).toBe(text);
  });
});

describe("a run", () => {
  const step = (end_s: number) => ({ end_s });
  const run = (run_id: string) =>
    ({ ...READY, run_id, title: run_id, steps: [step(60), step(600)] }) as never;

  it("goes on from where it stood, faster in a rehearsal", () => {
    const going_ = { ...(run("a") as object), done_s: 30, since: 1_000, speed: 10 } as never;
    expect(runS(going_, 3_000)).toBe(50);
    expect(totalS(going_)).toBe(600);
    expect([stepAt(going_, 0), stepAt(going_, 60), stepAt(going_, 900)]).toEqual([0, 1, 1]);
  });

  it("comes into sight when it is new, and gives way to another when it is put away", () => {
    keepRun(run("a"));
    keepRun(run("b"));
    expect(readClocks().shown).toBe("b");
    show("a");
    keepRun({ ...(run("b") as object), title: "later" } as never);
    expect(readClocks().shown).toBe("a");
    expect(readRun("b")?.title).toBe("later");
    putAway("a");
    expect(readClocks().shown).toBe("b");
    putAway("b");
    expect(readClocks().runs).toEqual([]);
    expect(readRun("b")).toBeNull();
  });

  it("begins now", () => {
    const begun = going(10);
    expect(Date.now() - begun.since).toBeLessThan(1_000);
    expect([begun.speed, begun.given_s]).toEqual([10, -1]);
  });
});

describe("what is typed", () => {
  it.each([
    ["12,5", "m", "12,5 m"],
    [" −3 ", "°C", "−3 °C"],
    ["12 cm", "m", "12 cm"],
    ["", "m", ""],
  ])("%s goes out as %s beside %s", (text, unit, sent) => {
    expect(typedIn(text, unit)).toBe(sent);
  });

  it.each([
    [0.1 + 0.2, "0.3"],
    [1 / 3, "0.333333"],
    [250, "250"],
    [null, ""],
    [undefined, ""],
  ])("%d stands in its field as %s", (value, text) => {
    expect(asTyped(value)).toBe(text);
  });
});

it("what was put away is offered only when it is chosen", () => {
  const all = [{ id: "old", archived: true }, { id: "new", archived: false }, { id: "bare" }];
  expect(offered(all).map((each) => each.id)).toEqual(["new", "bare"]);
  expect(offered(all, null, "old").map((each) => each.id)).toEqual(["old", "new", "bare"]);
  expect(offered(undefined)).toEqual([]);
});

it("a number has its noun", () => {
  expect([count(1, "sheet"), count(0, "sheet"), count(2, "box", "boxes")]).toEqual([
    "1 sheet",
    "0 sheets",
    "2 boxes",
  ]);
});
