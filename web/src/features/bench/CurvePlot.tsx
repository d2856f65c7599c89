import { Box } from "@chakra-ui/react";
import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import { type KeyboardEvent, type PointerEvent, useState } from "react";
import { useSize } from "../../components/useSize";
import { Axes } from "./Axes";
import { Curves } from "./Curves";
import { Legend } from "./Legend";
import { Gap, Level } from "./Levels";
import { MatchHandle } from "./MatchHandle";
import {
  ACCENT,
  BOTTOM,
  INK,
  INK2,
  LEFT,
  nearest,
  type Point,
  RIGHT,
  reached,
  readText,
  TOP,
} from "./plot";
import type { Worked } from "./queries";

const STOP = 0.30103; // of log H: an equal scale makes a slope look like what it is
const OCHRE = "var(--chakra-colors-ochre)";
const DASHES = ["9 4", "9 4 2 4", "3 3", "14 5"];

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
  const [place, setPlace] = useState<number | null>(null);
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
  const wide = width > 560; // room for whole sentences on the plot
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
  const { readings } = worked;
  const last = readings.length - 1;
  const middle = Math.max(
    0,
    readings.findIndex((each) => each.at >= (low + high) / 2),
  );
  const pressed = (event: KeyboardEvent) => {
    const from = place ?? middle;
    const to = { ArrowLeft: from - 1, ArrowRight: from + 1, Home: 0, End: last }[event.key];
    if (to === undefined) return;
    event.preventDefault();
    setPlace(Math.max(0, Math.min(last, to)));
  };
  const pointed = (event: PointerEvent<HTMLElement>) => {
    const at = x.invert(event.clientX - event.currentTarget.getBoundingClientRect().left);
    setPlace(nearest(readings, at));
  };
  const reading = place === null ? undefined : readings[place];
  const at = reading?.at ?? null;
  const read = readText(reading, shown);
  return (
    <Box ref={ref} position="relative">
      {width > 0 && lines.length > 0 && (
        <Box
          role="slider"
          tabIndex={0}
          aria-label="Read the curves at an exposure"
          aria-valuemin={low}
          aria-valuemax={high}
          aria-valuenow={at ?? readings[middle]?.at}
          aria-valuetext={read || "arrow keys read the curves"}
          onKeyDown={pressed}
          onPointerMove={pointed}
          touchAction="pan-y"
        >
          <svg width={width} height={height} aria-hidden style={{ display: "block" }}>
            <Axes x={x} y={y} width={width} height={height} zones={zones} />
            {main && (
              <>
                <Level
                  at={y(fog + (compared ? matchNet : worked.speed_net))}
                  from={LEFT}
                  to={width - RIGHT}
                  stroke={OCHRE}
                  text={
                    compared
                      ? `matched ${compared.match_text}${wide ? " above clear film" : ""}`
                      : worked.speed_net_text
                  }
                  end
                />
                {fog + worked.net_at_viii < top && (
                  <Level
                    at={y(fog + worked.net_at_viii)}
                    from={LEFT}
                    to={width - RIGHT}
                    stroke={INK2}
                    text="density wanted at VIII"
                  />
                )}
              </>
            )}
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
                    text={each.own ? each.gap_text : wide ? `${each.title}: ${each.gap_text}` : ""}
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
          text={`${compared.match_text} above clear film`}
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
