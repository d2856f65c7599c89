import type { RunClock, Step } from "../../clock/run";
import { totalS } from "../../clock/run";
import { watchText } from "../../clock/state";
import { useSize } from "../../components/useSize";

const HIGH = 56;
const WORDS = 22;
const LETTER = 8.4;
const INK = "var(--chakra-colors-ink)";
const ACCENT = "var(--chakra-colors-accent)";

/** The whole run to scale: a block for each bath, a tick wherever it is agitated, gaps where one
    pours, and a mark that moves: what is over is full, what is to come is open. */
export function Band({ run, at_s, place }: { run: RunClock; at_s: number; place: number }) {
  const [measured, size] = useSize<HTMLDivElement>();
  const width = Math.max(240, size.width);
  const whole = Math.max(1, totalS(run));
  const x = (second: number) => (Math.min(second, whole) / whole) * width;
  const names = run.steps.map((each) => fitting(each, x(each.end_s) - x(each.start_s)));
  const said = run.steps
    .map((each) => `${each.name} ${watchText(each.end_s - each.start_s)}`)
    .join(", ");
  const standing = run.phase !== "ready" && place >= 0;
  const now = run.steps[place];
  return (
    <div ref={measured}>
      <svg
        role="img"
        aria-label={`${said}; ${standing && now ? `now ${now.name}` : "not begun"}`}
        width={width}
        height={HIGH + WORDS}
        style={{ display: "block" }}
      >
        {run.steps.map((step, at) => {
          const [from, to] = [x(step.start_s), x(step.end_s)];
          const done = Math.max(0, Math.min(to, x(at_s)) - from);
          return (
            <g key={step.name}>
              <rect
                x={from + 1}
                y="9"
                width={Math.max(1, to - from - 2)}
                height={HIGH - 12}
                fill="none"
                stroke={at === place ? ACCENT : INK}
                strokeWidth={at === place ? 3 : 1.5}
              />
              {run.phase !== "ready" && done > 0 && (
                <rect
                  x={from + 1}
                  y="9"
                  width={Math.max(0, done - 1)}
                  height={HIGH - 12}
                  fill={INK}
                  opacity="0.24"
                />
              )}
              {ticksOf(step, x).map((tick) => (
                <rect
                  key={tick.from}
                  x={tick.from}
                  y={HIGH - 17}
                  width={tick.width}
                  height="12"
                  fill={INK}
                />
              ))}
              {names[at] && (
                <text
                  x={from + 2}
                  y={HIGH + 14}
                  style={{ fontSize: 14, fontWeight: at === place ? 650 : 450 }}
                  fill={INK}
                >
                  {names[at]}
                </text>
              )}
            </g>
          );
        })}
        {run.phase !== "ready" && (
          <path
            d={`M${x(at_s) - 8},0 h16 L${x(at_s) + 1.5},10 V${HIGH + 2} h-3 V10 Z`}
            fill={ACCENT}
          />
        )}
      </svg>
    </div>
  );
}

/** Ticks that would run into each other are drawn as one. */
function ticksOf(step: Step, x: (second: number) => number) {
  const ticks: { from: number; width: number }[] = [];
  for (const cue of step.cues) {
    if (cue.kind !== "agitate") continue;
    const from = x(cue.start_s);
    const width = Math.max(1.5, x(cue.end_s) - from);
    const last = ticks.at(-1);
    if (last && from <= last.from + last.width + 0.75) last.width = from + width - last.from;
    else ticks.push({ from, width });
  }
  return ticks;
}

/** A bath's name and time, its name alone, or nothing, as there is room beneath its block. */
function fitting(step: Step, room: number) {
  const whole = `${step.name} ${watchText(step.end_s - step.start_s)}`;
  return [whole, step.name].find((words) => words.length * LETTER < room) ?? "";
}
