import type { Schemas } from "../api/calls";
import { keptOutside } from "../api/kept";

/* The runs that are being timed, kept outside the page like the exposure clock: a reload, a sleeping
   tab or a lost server changes nothing. Times come from the wall clock, never from ticks. */

export type Step = Schemas["TimedStep"];

export interface RunClock {
  run_id: string;
  /** the print that is in these baths; none: film in a run */
  print_id?: string;
  /** the plan it was exposed by */
  plan?: Schemas["PrintPlan"];
  /** what of it was ended by eye */
  by_eye?: Schemas["EndedByEye"][];
  /** the print was kept with its plan */
  kept?: boolean;
  title: string;
  began_c: number;
  steps: Step[];
  /** every sound of the run, first to last */
  heard: Schemas["Heard"][];
  mix: string;
  cautions: string[];
  /** what each step asks for */
  minds?: string[];
  /** seconds on the run's clock when it was last set going */
  done_s: number;
  /** when it was set going; null while it stands */
  since: number | null;
  /** 1, or faster in a rehearsal, in which no film is developed */
  speed: number;
  phase: "ready" | "going" | "paused" | "done";
  started_at: string;
  measured: { minute: number; temperature_c: number }[];
  /** the moment of the last cue that was given */
  given_s: number;
}

/** Every clock there is, the one in sight, and whether the screen is black. */
export interface Clocks {
  shown: string;
  black: boolean;
  runs: RunClock[];
}

const kept = keptOutside<Clocks>("emulsa-runs");
export const useClocks = kept.use;

const NONE: Clocks = { shown: "", black: false, runs: [] };
export const readClocks = (): Clocks => kept.read() ?? NONE;

export const readRun = (run_id: string) =>
  readClocks().runs.find((each) => each.run_id === run_id) ?? null;

/** A clock that has not begun yet. */
export const READY = {
  done_s: 0,
  since: null,
  speed: 1,
  phase: "ready",
  started_at: "",
  measured: [],
  given_s: -1,
} satisfies Partial<RunClock>;

/** What sets a clock going from where it stands, at its own speed or faster. */
export const going = (speed: number) =>
  ({
    phase: "going",
    since: Date.now(),
    speed,
    started_at: new Date().toISOString(),
    given_s: -1,
  }) satisfies Partial<RunClock>;

/** A clock as it is now; a new one comes into sight. */
export function keepRun(run: RunClock) {
  const clocks = readClocks();
  const known = clocks.runs.some((each) => each.run_id === run.run_id);
  kept.keep({
    ...clocks,
    shown: known ? clocks.shown : run.run_id,
    runs: known
      ? clocks.runs.map((each) => (each.run_id === run.run_id ? run : each))
      : [...clocks.runs, run],
  });
}

export function putAway(run_id: string) {
  const clocks = readClocks();
  const runs = clocks.runs.filter((each) => each.run_id !== run_id);
  const first = runs[0];
  if (!first) return kept.keep(null);
  const shown = clocks.shown === run_id ? first.run_id : clocks.shown;
  kept.keep({ ...clocks, shown, runs });
}

/** Bring a clock into sight, or hide them all for a while: an empty id. */
export const show = (run_id: string) => kept.keep({ ...readClocks(), shown: run_id });
export const blacken = (black: boolean) => kept.keep({ ...readClocks(), black });

/** Seconds on the run's clock at a moment. */
export const runS = (run: RunClock, now: number) =>
  run.done_s + (run.since === null ? 0 : (Math.max(0, now - run.since) / 1000) * run.speed);

export const totalS = (run: RunClock) => run.steps.at(-1)?.end_s ?? 0;

/** The bath the film is in, or is being poured into, at a second of the run. */
export function stepAt(run: RunClock, at_s: number): number {
  const place = run.steps.findIndex((step) => at_s < step.end_s);
  return place < 0 ? run.steps.length - 1 : place;
}
