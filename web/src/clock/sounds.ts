/* Sounds made here, nothing fetched: start low-high, every ten seconds a tick, the last five, end. */

let context: AudioContext | null = null;
let wokenAt = Number.NEGATIVE_INFINITY;
const watchers = new Set<() => void>();

/** A context that is being woken takes a moment; what sounds meanwhile is not lost. */
const WAKING_MS = 1_000;

/** Browsers let sound begin only from a touch or a key: to be called in one, or in hope. */
export function wakeSound() {
  try {
    if (!context) {
      context = new AudioContext();
      context.onstatechange = () => {
        for (const tell of watchers) tell();
      };
    }
    if (context.state === "running") return;
    if (navigator.userActivation?.isActive ?? true) wokenAt = performance.now();
    void context.resume();
  } catch {
    context = null; // no sound here; the picture still counts
  }
}

/** Whether what is sounded now can be heard. */
export const soundRuns = () => context?.state === "running";

/** Be told when sound begins or falls asleep; returns what ends it. */
export function watchSound(tell: () => void) {
  watchers.add(tell);
  return () => void watchers.delete(tell);
}

function beep(hertz: number, seconds: number, delay = 0) {
  if (!context) return;
  // asleep, its time stands still: what is missed now would all sound at once when it wakes
  if (!soundRuns() && performance.now() - wokenAt > WAKING_MS) return;
  const tone = context.createOscillator();
  const loudness = context.createGain();
  const start = context.currentTime + delay;
  tone.frequency.value = hertz;
  loudness.gain.setValueAtTime(0.0001, start);
  loudness.gain.exponentialRampToValueAtTime(0.6, start + 0.01);
  loudness.gain.exponentialRampToValueAtTime(0.0001, start + seconds);
  tone.connect(loudness).connect(context.destination);
  tone.start(start);
  tone.stop(start + seconds + 0.02);
}

export const sound = {
  start: () => {
    beep(520, 0.12);
    beep(780, 0.18, 0.14);
  },
  ten: () => beep(440, 0.08),
  last: () => beep(660, 0.1),
  end: () => {
    beep(980, 0.5);
    beep(980, 0.5, 0.6);
  },
};

/** Two runs at once are told apart by their height: the second sounds an octave lower. */
export const VOICES = [1, 0.5, 2];

/* A run is worked by ear: each cue has a sound of its own, told apart by its shape, not its pitch. */
function series(hertz: number[], delays: number[], seconds: number[]) {
  return (voice = 1, in_s = 0) => {
    for (const [at, delay] of delays.entries()) {
      const pitch = (hertz[at % hertz.length] ?? 440) * voice;
      beep(pitch, seconds[at % seconds.length] ?? 0.1, in_s + delay);
    }
  };
}

export const cueSound = {
  pour: series([440, 554, 659], [0, 0.14, 0.28], [0.12, 0.12, 0.2]),
  move: series([740], [0, 0.12, 0.24], [0.07]),
  rest: series([330], [0], [0.35]),
  drain: series([659, 554, 440], [0, 0.14, 0.28], [0.12, 0.12, 0.2]),
  soon: series([880], [0, 0.3], [0.06]),
  next: series([520, 780], [0, 0.14], [0.12, 0.3]),
  end: series([980], [0, 0.6, 1.2], [0.45]),
  here: series([600], [0], [0.05]),
};
