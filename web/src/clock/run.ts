import type { Schemas } from "../api/client";
import { keptOutside } from "./kept";

/* The run that is being timed, kept outside the page like the exposure clock: a reload, a sleeping
   tab or a lost server changes nothing. Times come from the wall clock, never from ticks. */

export type Step = Schemas["TimedStep"];

export interface RunClock {
  run_id: string;
  title: string;
  began_c: number;
  steps: Step[];
  mix: string;
  /** seconds on the run's clock when it was last set going */
  done_s: number;
  /** when it was set going; null while it stands */
  since: number | null;
  /** 1, or faster in a rehearsal, in which no film is developed */
  speed: number;
  phase: "ready" | "going" | "paused" | "done";
  started_at: string;
  blackout: boolean;
  measured: { minute: number; temperature_c: number }[];
  /** the moment of the last cue that was given */
  given_s: number;
}

/** Something to be heard at a moment of the run. */
export interface Cue {
  at_s: number;
  sound: "pour" | "move" | "rest" | "drain" | "soon" | "next" | "end";
  says: string;
}

const SOON_S = 10;

const kept = keptOutside<RunClock>("emulsa-run");
export const readRun = kept.read;
export const keepRun = kept.keep;
export const useRun = kept.use;

/** Seconds on the run's clock at a moment. */
export const runS = (run: RunClock, now: number) =>
  run.done_s + (run.since === null ? 0 : (Math.max(0, now - run.since) / 1000) * run.speed);

export const totalS = (run: RunClock) => run.steps.at(-1)?.end_s ?? 0;

/** The bath the film is in, or is being poured into, at a second of the run. */
export function stepAt(run: RunClock, at_s: number): number {
  const place = run.steps.findIndex((step) => at_s < step.end_s);
  return place < 0 ? run.steps.length - 1 : place;
}

/** Where the film must not wait: from the developer to the end of the fixer. */
const NEVER_WAITS = ["developer", "stop", "fixer"];

export function mayPause(run: RunClock, at_s: number): boolean {
  const step = run.steps[stepAt(run, at_s)];
  return step !== undefined && !NEVER_WAITS.includes(step.kind);
}

/** Everything that is heard during a run, in order. */
export function cuesOf(steps: Step[]): Cue[] {
  const cues: Cue[] = [];
  steps.forEach((step, place) => {
    const next = steps[place + 1];
    for (const cue of step.cues) {
      if (cue.kind === "pour") {
        cues.push({ at_s: cue.start_s, sound: "pour", says: `Pour in: ${step.name}` });
      }
      if (cue.kind === "drain") {
        cues.push({ at_s: cue.start_s, sound: "drain", says: `Pour out: ${step.name}` });
      }
      if (cue.kind === "agitate") {
        cues.push({ at_s: cue.start_s, sound: "move", says: "Move" });
        if (cue.end_s < step.end_s) cues.push({ at_s: cue.end_s, sound: "rest", says: "Still" });
      }
    }
    if (!step.cues.some((cue) => cue.kind === "pour")) {
      cues.push({ at_s: step.start_s, sound: "next", says: step.name });
    }
    if (step.end_s - step.start_s > 2 * SOON_S) {
      const says = next ? `In ten seconds: ${next.name}` : "In ten seconds: done";
      cues.push({ at_s: step.end_s - SOON_S, sound: "soon", says });
    }
    if (!next) cues.push({ at_s: step.end_s, sound: "end", says: "Done" });
  });
  return cues.sort((a, b) => a.at_s - b.at_s);
}

/** The same steps when the developer ends at another second: what comes after moves with it. */
export function retimed(steps: Step[], ends_s: number): Step[] {
  const place = steps.findIndex((step) => step.kind === "developer");
  const developer = steps[place];
  if (!developer) return steps;
  const shift = ends_s - developer.end_s;
  const moved = (step: Step, by: number): Step => ({
    ...step,
    start_s: step.start_s + by,
    end_s: step.end_s + by,
    cues: step.cues.map((cue) => ({
      ...cue,
      start_s: cue.start_s + by,
      end_s: cue.end_s + by,
    })),
  });
  return steps.map((step, at) => {
    if (at < place) return step;
    if (at > place) return moved(step, shift);
    const cues = step.cues
      .map((cue) =>
        cue.kind === "drain"
          ? { ...cue, start_s: cue.start_s + shift, end_s: cue.end_s + shift }
          : cue,
      )
      .filter((cue) => cue.kind !== "agitate" || cue.start_s < ends_s);
    return { ...step, end_s: ends_s, cues };
  });
}
