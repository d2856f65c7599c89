import { Box } from "@chakra-ui/react";
import type { Schemas } from "../../api/calls";
import { Small } from "../../components/text";
import { ACCENT, INK, INK2 } from "./plot";

const [WIDTH, HEIGHT] = [96, 48];
const EDGE = 3;

/** A test's curves at a glance: thin, the one for N thick with its speed point, the density wanted
    at VIII as a line; without densities an empty base. */
export function CurveStub({ stub }: { stub: Schemas["Stub"] }) {
  const at = ([x, y]: [number, number]) =>
    `${EDGE + x * (WIDTH - 2 * EDGE)},${HEIGHT - EDGE - y * (HEIGHT - 2 * EDGE)}`;
  const across = (up: number) => HEIGHT - EDGE - up * (HEIGHT - 2 * EDGE);
  return (
    <svg
      role="img"
      aria-label={stub.text}
      width={WIDTH}
      height={HEIGHT}
      style={{ display: "block", flexShrink: 0 }}
    >
      <path d={`M0.5,0 V${HEIGHT - 0.5} H${WIDTH}`} fill="none" stroke={INK2} />
      {stub.wanted != null && (
        <line
          x1="0"
          x2={WIDTH}
          y1={across(stub.wanted)}
          y2={across(stub.wanted)}
          stroke="var(--chakra-colors-edge)"
          strokeDasharray="3 3"
        />
      )}
      {stub.lines.map((line) => (
        <path
          key={line.points.join(" ")}
          d={`M${line.points.map((point) => at(point as [number, number])).join("L")}`}
          fill="none"
          stroke={INK}
          strokeWidth={line.main ? 2.4 : 1}
          strokeLinejoin="round"
        />
      ))}
      {stub.lines.map(
        (line) =>
          line.speed && (
            <circle
              key={`speed ${line.speed.join(" ")}`}
              cx={at(line.speed as [number, number]).split(",")[0]}
              cy={at(line.speed as [number, number]).split(",")[1]}
              r="4"
              fill={ACCENT}
            />
          ),
      )}
    </svg>
  );
}

const LINE = 300;
const MIDDLE = 26;

/** What negatives hold as a bar, each of them a dot on it, the value in use a notch over it. */
export function RangeLine({ range }: { range: Schemas["Range"] }) {
  const x = (share: number) => share * LINE;
  const [low, high] = [x(range.low), x(range.high)];
  const apart = high - low > 118;
  return (
    <Box as="figure" maxWidth="380px">
      <Small as="figcaption" aria-hidden>
        {range.what}
      </Small>
      <svg
        role="img"
        aria-label={range.text}
        viewBox={`0 0 ${LINE} 60`}
        width="100%"
        style={{ display: "block", overflow: "visible" }}
      >
        <line
          x1="0"
          x2={LINE}
          y1={MIDDLE}
          y2={MIDDLE}
          stroke="var(--chakra-colors-edge)"
          strokeWidth="1"
        />
        <rect
          x={low}
          y={MIDDLE - 6}
          width={Math.max(2, high - low)}
          height="12"
          fill="var(--chakra-colors-accent-soft)"
          stroke={ACCENT}
        />
        {range.marks.map((mark) => (
          <Negative key={`${mark.label} ${mark.at}`} x={x(mark.at)} open={mark.open} />
        ))}
        <path
          d={`M${x(range.in_use) - 6},${MIDDLE - 21} h12 L${x(range.in_use)},${MIDDLE - 8} Z`}
          fill={INK}
        />
        <Figure
          x={x(range.in_use)}
          y={MIDDLE - 22}
          anchor={range.in_use > 0.5 ? "end" : "start"}
          off={range.in_use > 0.5 ? -10 : 10}
          bold
        >
          {range.in_use_text} in use
        </Figure>
        <Figure x={low} y={MIDDLE + 24} anchor={apart ? "start" : "end"} off={apart ? 0 : -2}>
          {range.low_text}
        </Figure>
        <Figure x={high} y={MIDDLE + 24} anchor={apart ? "end" : "start"} off={apart ? 0 : 2}>
          {range.high_text}
        </Figure>
      </svg>
    </Box>
  );
}

function Figure({
  x,
  y,
  anchor,
  off,
  bold,
  children,
}: {
  x: number;
  y: number;
  anchor: "start" | "end";
  off: number;
  bold?: boolean;
  children: React.ReactNode;
}) {
  return (
    <text
      x={x + off}
      y={y + (bold ? 10 : 0)}
      textAnchor={anchor}
      style={{ fontSize: 13, fontWeight: bold ? 650 : 400 }}
      fill={INK}
      aria-hidden
    >
      {children}
    </text>
  );
}

/** A negative: a dot; where its word has no end, a point open to that side. */
function Negative({ x, open }: { x: number; open: string }) {
  if (!open) return <circle cx={x} cy={MIDDLE} r="4" fill={INK} />;
  const way = open === "up" ? 1 : -1;
  return (
    <path
      d={`M${x},${MIDDLE - 4.5} L${x + way * 8},${MIDDLE} L${x},${MIDDLE + 4.5}`}
      fill="none"
      stroke={INK}
      strokeWidth="1.8"
    />
  );
}
