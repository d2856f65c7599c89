import type { Schemas } from "../../api/calls";
import { GREYS } from "../../shared/zones";

type Drawn = Schemas["RecordDrawn"];
type Part = Drawn["parts"][number];

const [WIDTH, HEIGHT] = [132, 26];
const MIDDLE = HEIGHT / 2;
const INK = "var(--chakra-colors-ink)";
const EDGE = "var(--chakra-colors-edge)";
const ACCENT = "var(--chakra-colors-accent)";

/** A record of the kit as a small drawing; all of one kind stand on one scale. */
export function RecordDrawing({ drawn }: { drawn: Drawn }) {
  const Parts = DRAW[drawn.kind];
  return (
    <svg
      role="img"
      aria-label={drawn.text}
      width={WIDTH}
      height={HEIGHT}
      style={{ display: "block", flexShrink: 0 }}
    >
      <Parts parts={drawn.parts} />
    </svg>
  );
}

const x = (share: number) => share * WIDTH;
const named = (part: Part, place: number) => `${place} ${part.start}`;

/** Texture on eleven greys, and how far its law bends off the straight line. */
function Film({ parts: [texture, ...bend] }: { parts: Part[] }) {
  const greys = 88;
  const cell = greys / 11;
  const bendX = [100, 114, 130];
  return (
    <>
      {GREYS.map((grey, zone) => (
        <rect key={grey} x={zone * cell} y="5" width={cell + 0.3} height="9" fill={grey} />
      ))}
      <rect x="0.5" y="5.5" width={greys - 1} height="8" fill="none" stroke="#8a8a8a" />
      {texture && (
        <path
          d={`M${texture.start * greys + 0.75},17 v4 H${texture.end * greys - 0.75} v-4`}
          fill="none"
          stroke={INK}
          strokeWidth="1.5"
        />
      )}
      {bend.length > 0 && (
        <>
          <line x1={bendX[0]} x2={bendX[2]} y1="23" y2="23" stroke={EDGE} strokeDasharray="2 2" />
          <path
            d={`M${bend.map((each, place) => `${bendX[place]},${23 - each.start * 20}`).join(" L")}`}
            fill="none"
            stroke={INK}
            strokeWidth="1.8"
          />
        </>
      )}
    </>
  );
}

/** From the widest to the smallest aperture; dots are measured speeds, off the line by their error. */
function Span({ parts: [span, ...dots] }: { parts: Part[] }) {
  if (!span) return null;
  const [from, to] = [x(span.start), x(span.end)];
  return (
    <>
      <line x1="0" x2={WIDTH} y1={MIDDLE} y2={MIDDLE} stroke={EDGE} />
      <rect x={from} y={MIDDLE - 3} width={to - from} height="6" fill={INK} />
      {dots.map((dot, place) => (
        <circle
          key={named(dot, place)}
          cx={from + ((place + 0.5) * (to - from)) / dots.length}
          cy={(1 - dot.start) * HEIGHT}
          r="2.5"
          fill={ACCENT}
          stroke="var(--chakra-colors-paper)"
        />
      ))}
    </>
  );
}

/** The hole, and the ring it would fill if it were the best for its distance. */
function Hole({ parts: [hole, best] }: { parts: Part[] }) {
  const radius = (part: Part | undefined) => (part?.end ?? 0) * (HEIGHT - 2);
  return (
    <>
      <circle cx={HEIGHT} cy={MIDDLE} r={radius(hole)} fill={INK} />
      <circle
        cx={HEIGHT}
        cy={MIDDLE}
        r={radius(best)}
        fill="none"
        stroke={ACCENT}
        strokeWidth="1.5"
      />
    </>
  );
}

function Bar({ parts: [bar] }: { parts: Part[] }) {
  return (
    <>
      <line x1="0" x2={WIDTH} y1={MIDDLE + 5} y2={MIDDLE + 5} stroke={EDGE} />
      <rect x="0" y={MIDDLE - 5} width={Math.max(2, x(bar?.end ?? 0))} height="10" fill={INK} />
    </>
  );
}

/** Times on one scale of minutes: filled where they were tested, open where they are estimated. */
function Marks({ parts }: { parts: Part[] }) {
  const at = (share: number) => 5 + share * (WIDTH - 10);
  return (
    <>
      <line x1="0" x2={WIDTH} y1={MIDDLE} y2={MIDDLE} stroke={EDGE} />
      {parts.map((part, place) => (
        <circle
          key={named(part, place)}
          cx={at(part.start)}
          cy={MIDDLE}
          r="4"
          fill={part.filled ? INK : "var(--chakra-colors-paper)"}
          stroke={INK}
          strokeWidth="1.4"
        />
      ))}
    </>
  );
}

function Blocks({ parts }: { parts: Part[] }) {
  return parts.map((part, place) => (
    <rect
      key={named(part, place)}
      x={x(part.start) + 0.75}
      y="7"
      width={Math.max(1, x(part.end - part.start) - 1.5)}
      height="12"
      fill={part.filled ? INK : "none"}
      stroke={INK}
      strokeWidth="1.2"
    />
  ));
}

function Level({ parts: [left] }: { parts: Part[] }) {
  return (
    <>
      <rect x="0.75" y="6" width={WIDTH - 1.5} height="14" fill="none" stroke={INK} />
      <rect x="0.75" y="6" width={x(left?.end ?? 0)} height="14" fill={INK} />
    </>
  );
}

function Cells({ parts }: { parts: Part[] }) {
  return parts.map((part, place) => (
    <rect
      key={named(part, place)}
      x={x(part.start) + 1}
      y="5"
      width={WIDTH / 12 - 2}
      height="16"
      fill="none"
      stroke={INK}
      strokeWidth="1.4"
    />
  ));
}

function Ranges({ parts }: { parts: Part[] }) {
  const step = HEIGHT / (parts.length + 1);
  return parts.map((part, place) => (
    <path
      key={named(part, place)}
      d={`M0.75,${step * (place + 1) - 1.5} v3 M0.75,${step * (place + 1)} H${x(part.end)} m0,-1.5 v3`}
      fill="none"
      stroke={INK}
      strokeWidth="1.4"
    />
  ));
}

const DRAW: Record<Drawn["kind"], (props: { parts: Part[] }) => React.ReactNode> = {
  film: Film,
  span: Span,
  hole: Hole,
  bar: Bar,
  marks: Marks,
  blocks: Blocks,
  level: Level,
  cells: Cells,
  ranges: Ranges,
};
