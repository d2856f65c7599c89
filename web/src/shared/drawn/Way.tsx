import { type State, stateWord } from "../states";

const STEPS: State[] = ["loaded", "exposed", "in_run", "developed", "judged"];
const GAP = 20;
const RADIUS = 4.5;

/** How far film has come: a bead for each of its five steps, a ring round the last once printed. */
export function Way({ state, printed }: { state: State; printed: boolean }) {
  const reached = STEPS.indexOf(state);
  const said = printed ? "printed" : stateWord(state);
  return (
    <svg role="img" aria-label={said} width={GAP * 4 + 20} height="32" style={{ display: "block" }}>
      {STEPS.map((step, place) => {
        const x = 10 + place * GAP;
        return (
          <g key={step}>
            {place > 0 && (
              <line
                x1={x - GAP + RADIUS + 1}
                x2={x - RADIUS - 1}
                y1="10"
                y2="10"
                stroke="var(--chakra-colors-edge)"
              />
            )}
            <circle
              cx={x}
              cy="10"
              r={RADIUS}
              fill={place <= reached ? "var(--chakra-colors-ink)" : "none"}
              stroke={place <= reached ? "var(--chakra-colors-ink)" : "var(--chakra-colors-edge)"}
              strokeWidth="1.4"
            />
          </g>
        );
      })}
      {printed && (
        <circle
          cx={10 + 4 * GAP}
          cy="10"
          r={RADIUS + 3.2}
          fill="none"
          stroke="var(--chakra-colors-ink)"
          strokeWidth="1.4"
        />
      )}
      <text
        x={10 - RADIUS}
        y="29"
        style={{ fontSize: 12 }}
        fill="var(--chakra-colors-ink2)"
        aria-hidden
      >
        {said}
      </text>
    </svg>
  );
}

const HALF = 32;
const MOST = 1;

/** How far an exposure was off its plan, as a needle over one stop to either side. */
export function Needle({ stops, text }: { stops: number; text: string }) {
  const beyond = Math.abs(stops) > MOST;
  const at = HALF + 6 + HALF * Math.max(-MOST, Math.min(MOST, stops));
  return (
    <svg
      role="img"
      aria-label={text}
      width={2 * HALF + 12}
      height="24"
      style={{ display: "block" }}
    >
      <path
        d={`M6,14 v8 M6,18 H${2 * HALF + 6} M${2 * HALF + 6},14 v8 M${HALF + 6},12 v10`}
        stroke="var(--chakra-colors-edge)"
        fill="none"
      />
      <path
        d={`M${at - 4.5},1 H${at + 4.5} L${at},11 Z`}
        fill={beyond ? "none" : "var(--chakra-colors-ink)"}
        stroke={beyond ? "var(--chakra-colors-ochre)" : "none"}
        strokeWidth="1.6"
      />
    </svg>
  );
}
