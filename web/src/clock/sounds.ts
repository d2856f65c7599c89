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
