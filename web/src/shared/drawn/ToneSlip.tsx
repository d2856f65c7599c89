import type { Schemas } from "../../api/calls";
import { GREYS } from "../zones";

export type Slip = Schemas["Slip"];

const CELLS = 11;
const CELL = 14;
export const SLIP_WIDTH = CELLS * CELL;
const HEIGHT = 32;
const TOP = 10;
const BAR = 12;

/** Where a zone lies along the slip; what lies beyond its greys stands at their end. */
export const alongSlip = (zone: number, cell = CELL) =>
  cell * (Math.max(-0.36, Math.min(10.36, zone)) + 0.5);

const edge = (zone: number) => CELL * Math.max(0, Math.min(CELLS, zone));

/**
 * A subject at a glance: eleven greys, a stroke for each reading where it falls (the placed one a
 * notch, one that loses its texture open), under them the greys whose texture film and development
 * keep. It is called by the core's own sentence.
 */
export function ToneSlip({ slip, width = SLIP_WIDTH }: { slip: Slip; width?: number }) {
  const low = edge(slip.low);
  const high = edge(slip.high + 1);
  const base = TOP + BAR + 3;
  return (
    <svg
      role="img"
      aria-label={slip.text}
      viewBox={`0 0 ${SLIP_WIDTH} ${HEIGHT}`}
      width={width}
      height={(HEIGHT * width) / SLIP_WIDTH}
      style={{ display: "block", maxWidth: "100%" }}
    >
      {GREYS.map((grey, zone) => (
        <rect key={grey} x={zone * CELL} y={TOP} width={CELL + 0.3} height={BAR} fill={grey} />
      ))}
      <rect
        x="0.5"
        y={TOP + 0.5}
        width={SLIP_WIDTH - 1}
        height={BAR - 1}
        fill="none"
        stroke="#8a8a8a"
      />
      <path
        d={`M${low + 0.75},${base} v4 H${high - 0.75} v-4`}
        fill="none"
        stroke="var(--chakra-colors-ink2)"
        strokeWidth="1.5"
      />
      {slip.ticks.map((tick, place) => {
        const at = alongSlip(tick.zone);
        // readings of one name may fall on one zone: only their place tells them apart
        const key = `${place} ${tick.label}`;
        if (tick.placed)
          return (
            <path
              key={key}
              d={`M${at - 5},0.5 H${at + 5} L${at},${TOP - 0.5} Z`}
              fill="var(--chakra-colors-accent)"
            />
          );
        if (tick.lost)
          return (
            <rect
              key={key}
              x={at - 2}
              y="1"
              width="4"
              height={TOP - 2.5}
              fill="var(--chakra-colors-sheet)"
              stroke="var(--chakra-colors-ochre)"
              strokeWidth="1.6"
            />
          );
        return (
          <rect
            key={key}
            x={at - 1}
            y="1"
            width="2"
            height={TOP - 2}
            fill="var(--chakra-colors-ink)"
          />
        );
      })}
    </svg>
  );
}

const WEDGE = { width: 34, height: 20, most: 18, least: 2 };

/** N as a wedge: it narrows where tones are drawn together and opens where they are fanned out. */
export function NWedge({ n, text }: { n: number; text: string }) {
  const { width, height, most, least } = WEDGE;
  const by = Math.min(1, Math.abs(n) / 2);
  const other = most - by * (most - least);
  const [left, right] = n > 0 ? [other, most] : [most, other];
  const middle = height / 2;
  return (
    <span style={{ display: "inline-flex", alignItems: "center", gap: 7, whiteSpace: "nowrap" }}>
      <svg width={width} height={height} aria-hidden>
        <path
          d={`M0,${middle - left / 2} L${width},${middle - right / 2} V${middle + right / 2} L0,${middle + left / 2} Z`}
          fill={n === 0 ? "var(--chakra-colors-edge)" : "var(--chakra-colors-accent)"}
        />
      </svg>
      <b>{text}</b>
    </span>
  );
}
