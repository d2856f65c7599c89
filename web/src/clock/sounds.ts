/* Sounds made here, nothing fetched: start low-high, every ten seconds a tick, the last five, end. */

let context: AudioContext | null = null;

/** Browsers let sound begin only from a touch or a key. */
export function wakeSound() {
  try {
    context ??= new AudioContext();
    void context.resume();
  } catch {
    context = null; // no sound here; the picture still counts
  }
}

function beep(hertz: number, seconds: number, delay = 0) {
  if (!context) return;
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

/* A run is worked by ear: each cue has a sound of its own, told apart by its shape, not its pitch. */
export const cueSound = {
  pour: () => {
    beep(440, 0.12);
    beep(554, 0.12, 0.14);
    beep(659, 0.2, 0.28);
  },
  move: () => {
    for (const delay of [0, 0.12, 0.24]) beep(740, 0.07, delay);
  },
  rest: () => beep(330, 0.35),
  drain: () => {
    beep(659, 0.12);
    beep(554, 0.12, 0.14);
    beep(440, 0.2, 0.28);
  },
  soon: () => {
    beep(880, 0.06);
    beep(880, 0.06, 0.3);
  },
  next: () => {
    beep(520, 0.12);
    beep(780, 0.3, 0.14);
  },
  end: () => {
    for (const delay of [0, 0.6, 1.2]) beep(980, 0.45, delay);
  },
  here: () => beep(600, 0.05),
};
