import { useEffect } from "react";
import { keepRun, type RunClock, readClocks, runS, totalS } from "./run";
import { cueSound, VOICES } from "./sounds";
import { say } from "./speech";
import { ticking } from "./ticking";

/** Later than this a cue is past: after a reload only what is due now is heard, not what was missed. */
const LATE_S = 1.5;
/** Cues are handed to the sound card so long before their moment: a busy page delays no sound. */
const AHEAD_S = 0.25;

/** Gives the cues of every run as their moments come, and ends it; on its own thread's ticks. */
export function useCues(wanted: boolean, aloud: boolean) {
  useEffect(() => {
    if (!wanted) return;
    return ticking("cues", () => {
      const { runs } = readClocks();
      runs.forEach((run, at) => {
        if (run.phase === "going") give(run, at, aloud, runs.length > 1);
      });
    });
  }, [wanted, aloud]);
}

function give(run: RunClock, at: number, aloud: boolean, named: boolean) {
  const at_s = runS(run, Date.now());
  const until_s = at_s + AHEAD_S * run.speed;
  const due = run.heard.filter((cue) => cue.at_s <= until_s && cue.at_s > run.given_s - 1e-6);
  const last = due.at(-1);
  for (const cue of due) {
    const in_s = (cue.at_s - at_s) / run.speed;
    if (in_s < -LATE_S) continue;
    cueSound[cue.sound](VOICES[at % VOICES.length], Math.max(0, in_s));
    const detail = { ...cue, run_id: run.run_id, late_s: Math.max(0, -in_s) };
    window.dispatchEvent(new CustomEvent("emulsa-cue", { detail }));
  }
  if (last && aloud && run.speed === 1) {
    say(named ? `${run.title}. ${last.says}` : last.says);
  }
  if (at_s >= totalS(run)) {
    keepRun({ ...run, phase: "done", done_s: totalS(run), since: null, given_s: until_s });
  } else if (last) {
    keepRun({ ...run, given_s: last.at_s + 1e-3 });
  }
}
