import { Box } from "@chakra-ui/react";
import { count } from "../../components/count";
import { useSize } from "../../components/useSize";
import { DaySky } from "./DaySky";
import type { DayExposure, DayLight } from "./queries";

const BELOW = 30;
const NAME = 16;
const EDGE = 24;
const SHORTEST_H = 6;
const LETTER = 8.5;
const LINES = 3;
const NOON = 12;

/** The hour by the clock on the wall here, 14.5 at half past two. */
const hourOf = (at: string) => {
  const moment = new Date(at);
  return moment.getHours() + moment.getMinutes() / 60;
};

const clock = (hour: number) =>
  `${Math.floor(hour)}:${String(Math.round((hour % 1) * 60)).padStart(2, "0")}`;

/** The hours that are drawn: what was exposed, an hour about it, and never less than a short day. */
function spanOf(hours: number[]): [number, number] {
  const first = Math.floor(Math.min(...hours)) - 1;
  const last = Math.ceil(Math.max(...hours)) + 1;
  const lacking = Math.max(0, SHORTEST_H - (last - first));
  const from = Math.max(0, first - Math.floor(lacking / 2));
  return [from, Math.min(24, Math.max(last, from + SHORTEST_H))];
}

interface Knot {
  x: number;
  where: string[];
  line: number;
}

/** Knots that would lie on each other are tied to one; names go up a line where they would touch. */
function knotsOf(made: DayExposure[], along: (hour: number) => number): Knot[] {
  const knots: Knot[] = [];
  for (const each of made) {
    const x = along(hourOf(each.exposed_at));
    const last = knots.at(-1);
    if (last && x - last.x < 9) last.where.push(each.where);
    else knots.push({ x, where: [each.where], line: 0 });
  }
  const ends = Array.from({ length: LINES }, () => Number.NEGATIVE_INFINITY);
  for (const knot of knots) {
    const half = (nameOf(knot).length * LETTER) / 2;
    const free = ends.findIndex((end) => knot.x - half > end + 4);
    knot.line = free;
    if (free >= 0) ends[free] = knot.x + half;
  }
  return knots;
}

const nameOf = ({ where: [first = "", ...more] }: Knot) =>
  more.length > 1 ? `${first} +${more.length}` : [first, ...more].join(" ");

/** The day by its hours: a thread with a knot for each exposure, along the sky where its place is
 * known. */
export function DayThread({
  made,
  sky,
}: {
  made: DayExposure[];
  sky: {
    light: DayLight;
    begin: string;
    outingId: string;
    places: Record<string, number>;
  } | null;
}) {
  const [measured, size] = useSize<HTMLDivElement>();
  if (made.length === 0 && !sky) return null;
  const hours = made.map((each) => hourOf(each.exposed_at)).sort((a, b) => a - b);
  const ordered = [...made].sort((a, b) => hourOf(a.exposed_at) - hourOf(b.exposed_at));
  const [from, to] = sky ? [0, 24] : spanOf(hours);
  const width = Math.max(240, size.width);
  const along = (hour: number) => EDGE + ((hour - from) / (to - from)) * (width - 2 * EDGE);
  const knots = knotsOf(ordered, along);
  const thread = NAME * (1 + Math.max(-1, ...knots.map((each) => each.line))) + 8;
  const height = thread + BELOW;
  const every = [1, 2, 3].find((hours) => (to - from) * 52 <= width * hours) ?? 4;
  const marks = Array.from({ length: to - from + 1 }, (_, place) => from + place).filter(
    (hour) => (hour - from) % every === 0,
  );
  const said = !made.length
    ? "No exposure yet"
    : `${count(made.length, "exposure")} between ${clock(hours[0] ?? 0)} and ${clock(hours.at(-1) ?? 0)}: ${ordered
        .slice(0, 12)
        .map((each) => `${each.where} at ${clock(hourOf(each.exposed_at))}`)
        .join(", ")}`;
  return (
    <Box ref={measured} minHeight={`${height}px`}>
      <svg role="img" aria-label={said} width={width} height={height} style={{ display: "block" }}>
        <line
          x1={EDGE}
          x2={width - EDGE}
          y1={thread}
          y2={thread}
          stroke="var(--chakra-colors-edge)"
          strokeWidth="1.5"
        />
        {marks.map((hour) => (
          <g key={hour} aria-hidden>
            <line
              x1={along(hour)}
              x2={along(hour)}
              y1={thread}
              y2={thread + 6}
              stroke="var(--chakra-colors-edge)"
            />
            <text
              x={along(hour)}
              y={thread + 21}
              textAnchor="middle"
              style={{ fontSize: 13 }}
              fill="var(--chakra-colors-ink2)"
            >
              {hour}:00
            </text>
          </g>
        ))}
        {knots.map((knot) => {
          const y = knot.line < 0 ? undefined : thread - 12 - NAME * knot.line;
          return (
            <g key={knot.where.join(" ")} aria-hidden>
              {y !== undefined && (
                <>
                  <line
                    x1={knot.x}
                    x2={knot.x}
                    y1={y + 3}
                    y2={thread}
                    stroke="var(--chakra-colors-accent)"
                    strokeWidth="1.5"
                  />
                  <text
                    x={knot.x}
                    y={y}
                    textAnchor="middle"
                    style={{ fontSize: 14, fontWeight: 650 }}
                    fill="var(--chakra-colors-ink)"
                  >
                    {nameOf(knot)}
                  </text>
                </>
              )}
              <circle cx={knot.x} cy={thread} r="5.5" fill="var(--chakra-colors-accent)" />
            </g>
          );
        })}
      </svg>
      {sky && (
        <DaySky
          {...sky}
          key={sky.begin}
          along={along}
          width={width}
          first={60 * (hours[0] ?? NOON)}
        />
      )}
    </Box>
  );
}
