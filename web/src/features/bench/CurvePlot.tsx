import { Box } from "@chakra-ui/react";
import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import { type KeyboardEvent, memo, type PointerEvent, useState } from "react";
import { useSize } from "../../components/useSize";
import { Legend } from "./Legend";
import { MatchHandle } from "./MatchHandle";
import type { Worked } from "./queries";

type Line = Worked["lines"][number];
type Point = [number, number];

const STOP = 0.30103; // of log H: an equal scale makes a slope look like what it is
const [LEFT, RIGHT, TOP, BOTTOM] = [44, 64, 12, 52];
const ROMAN = ["0", "I", "II", "III", "IV", "V", "VI", "VII", "VIII", "IX", "X"];
const INK = "var(--chakra-colors-ink)";
const INK2 = "var(--chakra-colors-ink2)";
const LINE = "var(--chakra-colors-line)";
const ACCENT = "var(--chakra-colors-accent)";
const OCHRE = "var(--chakra-colors-ochre)";
const THIRD = 1 / 3;
const APART = 14; // px between the names of two curves
const DASHES = ["9 4", "9 4 2 4", "3 3", "14 5"];
/* letters over lines: with a rim of the ground */
const HALO = {
  stroke: "var(--chakra-colors-paper)",
  strokeWidth: 4,
  paintOrder: "stroke",
} as const;

/** Density over zones: a curve for each development, points where they were measured. The handle
    on the main curve sets the density that films are matched at. */
export function CurvePlot({
  worked,
  matchNet,
  onMatch,
}: {
  worked: Worked;
  matchNet: number;
  onMatch: (net: number, done: boolean) => void;
}) {
  const [ref, size] = useSize<HTMLDivElement>();
  const [hidden, setHidden] = useState<string[]>([]);
  const [at, setAt] = useState<number | null>(null);
  const zones = worked.axis === "zones";
  const lines = worked.lines.filter((each) => each.points.length > 0);
  const compared = worked.compared;
  const reference = compared && !compared.own ? compared.line : undefined;
  const others = (compared?.films ?? []).flatMap((each) =>
    each.own || !each.line ? [] : [{ ...each, line: each.line }],
  );
  const beside = [...(reference ? [reference] : []), ...others.map((each) => each.line)];
  const all = [...lines, ...beside].flatMap((each) => each.points as Point[]);
  const low = Math.min(zones ? -1 : -4, ...all.map(([x]) => x));
  const high = Math.max(zones ? 10.5 : 0, ...all.map(([x]) => x));
  const top = Math.max(1.6, ...all.map(([, y]) => y)) + 0.1;
  const width = Math.max(0, size?.width ?? 0);
  const x = scaleLinear([low, high], [LEFT, Math.max(LEFT + 1, width - RIGHT)]);
  const unit = (x(1) - x(0)) / (zones ? STOP : 1);
  const height = Math.min(560, top * unit + TOP + BOTTOM);
  const y = scaleLinear([0, top], [height - BOTTOM, TOP]);
  const path = line<Point>(
    ([a]) => x(a),
    ([, b]) => y(b),
  );
  const shown = lines.filter((each) => !hidden.includes(each.id));
  const main = lines.find((each) => each.id === worked.main);
  const handle =
    main && compared ? reached(main, main.base_fog + matchNet) : (main?.speed_x ?? null);
  const fog = main?.base_fog ?? 0;
  const move = (to: number) => setAt(Math.max(low, Math.min(high, to)));
  const pressed = (event: KeyboardEvent) => {
    const from = at ?? 5;
    const to = { ArrowLeft: from - THIRD, ArrowRight: from + THIRD, Home: low, End: high }[
      event.key
    ];
    if (to === undefined) return;
    event.preventDefault();
    move(to);
  };
  const pointed = (event: PointerEvent<HTMLElement>) =>
    move(x.invert(event.clientX - event.currentTarget.getBoundingClientRect().left));
  const read = at === null ? "" : readAt(at, shown, zones);
  return (
    <Box ref={ref} position="relative">
      {width > 0 && lines.length > 0 && (
        <Box
          role="slider"
          tabIndex={0}
          aria-label="Read the curves at an exposure"
          aria-valuemin={low}
          aria-valuemax={high}
          aria-valuenow={at ?? 5}
          aria-valuetext={read || "arrow keys read the curves"}
          onKeyDown={pressed}
          onPointerMove={pointed}
          touchAction="pan-y"
        >
          <svg width={width} height={height} aria-hidden style={{ display: "block" }}>
            {y.ticks(5).map((tick) => (
              <g key={tick}>
                <line x1={LEFT} x2={width - RIGHT} y1={y(tick)} y2={y(tick)} stroke={LINE} />
                <text x={LEFT - 8} y={y(tick) + 4} textAnchor="end" fontSize={12} fill={INK2}>
                  {tick.toFixed(1)}
                </text>
              </g>
            ))}
            {main && (
              <>
                <Level
                  at={y(fog + (compared ? matchNet : worked.speed_net))}
                  from={LEFT}
                  to={width - RIGHT}
                  stroke={OCHRE}
                  text={
                    compared
                      ? `matched ${matchNet.toFixed(2)} above clear film`
                      : `${worked.speed_net.toFixed(2)} above clear film`
                  }
                  end
                />
                {fog + worked.net_at_viii < top && (
                  <Level
                    at={y(fog + worked.net_at_viii)}
                    from={LEFT}
                    to={width - RIGHT}
                    stroke={INK2}
                    text="for VIII"
                  />
                )}
              </>
            )}
            {zones &&
              ROMAN.map((roman, zone) => {
                const [a, b] = [x(zone - 0.5), x(zone + 0.5)];
                return (
                  <g key={roman}>
                    <rect
                      x={a}
                      y={height - BOTTOM + 4}
                      width={b - a}
                      height={18}
                      fill={`hsl(0 0% ${4 + zone * 9.4}%)`}
                    />
                    <text
                      x={(a + b) / 2}
                      y={height - BOTTOM + 17}
                      textAnchor="middle"
                      fontSize={11}
                      fontWeight={600}
                      fill={zone < 6 ? "#fff" : "#111"}
                    >
                      {b - a > 24 || zone % 2 === 0 ? roman : ""}
                    </text>
                  </g>
                );
              })}
            {!zones &&
              x.ticks(6).map((tick) => (
                <text
                  key={tick}
                  x={x(tick)}
                  y={height - BOTTOM + 17}
                  textAnchor="middle"
                  fontSize={12}
                  fill={INK2}
                >
                  {tick}
                </text>
              ))}
            <text x={LEFT} y={height - 10} fontSize={12} fill={INK2}>
              {zones ? "light on the film, in zones of the meter" : "log H, lux seconds"}
            </text>
            {reference && (
              <path
                d={path(reference.line as Point[]) ?? ""}
                fill="none"
                stroke={INK}
                strokeWidth={2}
                strokeDasharray="2 5"
                strokeLinecap="round"
              />
            )}
            {others.map((each, place) => (
              <path
                key={each.id}
                d={path(each.line.line as Point[]) ?? ""}
                fill="none"
                stroke={INK}
                strokeWidth={1.4}
                strokeDasharray={DASHES[place % DASHES.length]}
              />
            ))}
            <Curves lines={shown} main={worked.main} x={x} y={y} />
            {compared?.films.map(
              (each, place) =>
                each.match_x !== null && (
                  <Gap
                    key={each.id}
                    from={x(compared.match_x)}
                    to={x(each.match_x)}
                    at={y(fog + matchNet) - 22 - 30 * place}
                    text={
                      each.own
                        ? each.gap_text
                        : width > 560
                          ? `${each.title}: ${each.gap_text}`
                          : ""
                    }
                  />
                ),
            )}
            {handle !== null && main && (
              <circle
                cx={x(handle)}
                cy={y(fog + (compared ? matchNet : worked.speed_net))}
                r={6}
                fill={ACCENT}
              />
            )}
            {at !== null && (
              <line
                x1={x(at)}
                x2={x(at)}
                y1={TOP}
                y2={height - BOTTOM}
                stroke={INK2}
                strokeDasharray="3 3"
              />
            )}
          </svg>
        </Box>
      )}
      {compared && main && handle !== null && width > 0 && (
        <MatchHandle
          left={x(handle)}
          top={y(fog + matchNet)}
          net={matchNet}
          toNet={(pixels) => y.invert(pixels) - fog}
          onMatch={onMatch}
        />
      )}
      <Box minHeight="24px" fontSize="14px" aria-hidden={at === null}>
        {read}
      </Box>
      <Legend
        names={lines.map((each) => each.id).join("\n")}
        hidden={hidden}
        dotted={reference ? (compared?.title ?? "") : ""}
        dashed={others.map((each) => each.title).join("\n")}
        setHidden={setHidden}
      />
    </Box>
  );
}

type Scale = (value: number) => number;

/** The curves with their points and names; drawn anew only when one of them, or the room, changed. */
const Curves = memo(
  function Curves({
    lines,
    main,
    x,
    y,
  }: {
    lines: Line[];
    main: string | null;
    x: Scale;
    y: Scale;
  }) {
    const ends = spread(lines.map((each) => [each.id, y(each.points.at(-1)?.[1] ?? 0)]));
    const path = line<Point>(
      ([a]) => x(a),
      ([, b]) => y(b),
    );
    return (
      <g>
        {lines.map((each) => (
          <g key={each.id}>
            <path
              d={path(each.line as Point[]) ?? ""}
              fill="none"
              stroke={ACCENT}
              strokeWidth={each.id === main ? 3 : 1.6}
            />
            {(each.points as Point[]).map(([a, b]) => (
              <circle
                key={a}
                cx={x(a)}
                cy={y(b)}
                r={2.6}
                fill="var(--chakra-colors-sheet)"
                stroke={ACCENT}
              />
            ))}
            <text
              x={x(each.points.at(-1)?.[0] ?? 0) + 6}
              y={(ends.get(each.id) ?? 0) + 4}
              fontSize={12}
              fontWeight={each.id === main ? 650 : 400}
              fill={ACCENT}
            >
              {each.id}
            </text>
          </g>
        ))}
      </g>
    );
  },
  (before, now) =>
    before.main === now.main &&
    [0, 1].every((each) => before.x(each) === now.x(each) && before.y(each) === now.y(each)) &&
    before.lines.length === now.lines.length &&
    before.lines.every(
      (each, place) =>
        each.id === now.lines[place]?.id &&
        each.line.length === now.lines[place]?.line.length &&
        JSON.stringify(each.points) === JSON.stringify(now.lines[place]?.points),
    ),
);

/** Where a curve, as it is drawn, last comes up to a density. */
function reached(line: Line, density: number): number | null {
  const points = line.line as Point[];
  for (let place = points.length - 2; place >= 0; place--) {
    const [one, two] = [points[place], points[place + 1]];
    if (one && two && one[1] < density && two[1] >= density)
      return one[0] + ((two[0] - one[0]) * (density - one[1])) / (two[1] - one[1]);
  }
  return null;
}

function Level({
  at,
  from,
  to,
  stroke,
  text,
  end,
}: {
  at: number;
  from: number;
  to: number;
  stroke: string;
  text: string;
  end?: boolean;
}) {
  return (
    <g>
      <line x1={from} x2={to} y1={at} y2={at} stroke={stroke} />
      <text
        x={end ? to - 4 : from + 4}
        y={at - 4}
        textAnchor={end ? "end" : "start"}
        fontSize={12}
        fill={stroke}
        {...HALO}
      >
        {text}
      </text>
    </g>
  );
}

function Gap({ from, to, at, text }: { from: number; to: number; at: number; text: string }) {
  return (
    <g stroke={INK} strokeWidth={1.4}>
      <path
        d={`M${from} ${at - 5}V${at + 5}M${from} ${at}H${to}M${to} ${at - 5}V${at + 5}`}
        fill="none"
      />
      <text
        x={(from + to) / 2}
        y={at - 8}
        textAnchor="middle"
        fontSize={13}
        fontWeight={650}
        fill={INK}
        {...HALO}
      >
        {text}
      </text>
    </g>
  );
}

/** Heights of names, moved apart where they would lie over each other. */
function spread(names: [string, number][]): Map<string, number> {
  const found = new Map<string, number>();
  let last = Number.NEGATIVE_INFINITY;
  for (const [id, at] of [...names].sort((a, b) => a[1] - b[1])) {
    last = Math.max(at, last + APART);
    found.set(id, last);
  }
  return found;
}

/** What each curve has at an exposure, between the points it is drawn by. */
function readAt(at: number, lines: Line[], zones: boolean): string {
  const said = lines.flatMap((each) => {
    const points = each.line as Point[];
    const next = points.findIndex(([x]) => x >= at);
    const [one, two] = [points[next - 1], points[next]];
    if (!one || !two) return [];
    const density = one[1] + ((two[1] - one[1]) * (at - one[0])) / (two[0] - one[0]);
    return [`${each.id} ${density.toFixed(2)}`];
  });
  const where = zones ? `Zone ${at.toFixed(1)}` : `log H ${at.toFixed(2)}`;
  return `${where}: ${said.join(", ") || "no data"}`;
}
