import type { Schemas } from "../api/calls";
import { keptOutside } from "../api/kept";

/* The one exposure that is being timed: kept outside the page, so that a reload, a sleeping tab or a
   lost server changes nothing. Times are counted from the wall clock, never from ticks. */

export type Interval = Schemas["Interval"];

export interface Timed {
  /** what will be logged when the shutter is closed */
  given: Schemas["Given"];
  where: string;
  /** which reminders it has: those of its film and of what is in front of it */
  reminded?: string;
  title: string;
  setText: string;
  /** what is placed: the thing to read again when the light changes */
  placed: string;
  metered_s: number;
  /** closed intervals of open shutter, each in its own light */
  intervals: Interval[];
  /** the metered time of the light now */
  now_metered_s: number;
  /** seconds of open shutter still to come when the running interval began; null: never complete */
  left_s: number | null;
  /** when the shutter was opened for the running interval; null while it is closed */
  since: number | null;
  phase: "ready" | "open" | "paused" | "closed";
  light?: string;
}

const kept = keptOutside<Timed>("emulsa-clock");
export const keepClock = kept.keep;
export const useClock = kept.use;

/** Seconds the running interval has lasted at a moment. */
export const runningS = (timed: Timed, now: number) =>
  timed.since === null ? 0 : Math.max(0, (now - timed.since) / 1000);

/** Seconds the shutter has been open altogether. */
export const openS = (timed: Timed, now: number) =>
  timed.intervals.reduce((sum, each) => sum + each.elapsed_s, 0) + runningS(timed, now);

/** The interval that is running, closed at a moment, joined to those before it. */
export function closedAt(timed: Timed, now: number): Interval[] {
  const elapsed_s = runningS(timed, now);
  return elapsed_s > 0
    ? [...timed.intervals, { metered_s: timed.now_metered_s, elapsed_s }]
    : timed.intervals;
}

/** 1:05 or 0:09.4, as a watch shows it. */
export function watchText(seconds: number): string {
  const held = Math.max(0, seconds + 1e-6); // 409.9999999 s is 6:50
  const minutes = Math.floor(held / 60);
  const rest = held - minutes * 60;
  if (minutes === 0 && held < 20) return rest.toFixed(1);
  const whole = Math.floor(rest);
  return `${minutes}:${String(whole).padStart(2, "0")}`;
}

/** Which reminders an exposure has, by its film and by what is in front of it. */
export const remindersOf = (roll: boolean, pinhole: boolean) =>
  `${roll ? "roll" : "sheet"} ${pinhole ? "pinhole" : "lens"}`;
