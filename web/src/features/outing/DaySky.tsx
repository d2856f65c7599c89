import { Box, Flex } from "@chakra-ui/react";
import { type KeyboardEvent, type PointerEvent, useState } from "react";
import { Link } from "wouter";
import type { Schemas } from "../../api/calls";
import { Small } from "../../components/text";
import { FileLink } from "../../shared/FileLink";

type Light = Schemas["DayLight"];
type Moment = Light["moments"][number];

const SKY_H = 84;
const HORIZON = 56; // from the top of the drawing
const BAR = 18;
const MINUTES = 1440;
const LEAST_DEG = 24; // a low winter sun is drawn low

/** Greys of the day as it goes by: they are what they are in every light mode. */
const GREY: Record<Light["spans"][number]["light"], string> = {
  night: "#1e1e1e",
  astronomical: "#3a3a3a",
  nautical: "#5c5c5c",
  civil: "#8c8c8c",
  low_sun: "#c9c9c9",
  day: "#f1f1f1",
};

const HALO = "#ffffff";
const SUN = "#1a1a1a";

/** The sky of the day along its thread: its greys from night to night, the ways of sun and moon, when
 * the sun is on a scene, and a moment of it in words wherever one points. */
export function DaySky({
  light,
  begin,
  outingId,
  along,
  width,
  first,
  places,
}: {
  light: Light;
  begin: string;
  outingId: string;
  along: (hour: number) => number;
  width: number;
  first: number;
  /** the number of each scene of the day */
  places: Record<string, number>;
}) {
  const [at, setAt] = useState<number | null>(null);
  const shown = nearest(light.moments, at ?? first);
  const x = (minutes: number) => along(minutes / 60);
  const highest = Math.max(LEAST_DEG, ...light.moments.map((each) => each.sun_altitude_deg));
  const y = (degrees: number) => HORIZON - (degrees / highest) * (HORIZON - 8);
  const way = (of: (each: Moment) => number) =>
    light.moments.map((each, k) => `${k ? "L" : "M"}${x(each.minutes)} ${y(of(each))}`).join("");
  const scenes = light.scenes.filter((each) => each.sun.length + each.moon.length > 0);
  const height = SKY_H + BAR * scenes.length;
  const pointed = (event: PointerEvent<SVGSVGElement>) => {
    if (event.type === "pointermove" && event.pointerType === "touch" && !event.buttons) return;
    const left = event.currentTarget.getBoundingClientRect().left;
    const share = (event.clientX - left - x(0)) / (x(MINUTES) - x(0));
    setAt(Math.max(0, Math.min(MINUTES, share * MINUTES)));
  };
  const pressed = (event: KeyboardEvent) => {
    const step = { ArrowLeft: -10, ArrowRight: 10, PageDown: -60, PageUp: 60 }[event.key];
    const end = { Home: 0, End: MINUTES }[event.key];
    if (step === undefined && end === undefined) return;
    event.preventDefault();
    setAt(end ?? Math.max(0, Math.min(MINUTES, shown.minutes + (step ?? 0))));
  };
  return (
    <Box>
      <svg
        width={width}
        height={height}
        onPointerDown={pointed}
        onPointerMove={pointed}
        style={{ display: "block", touchAction: "pan-y", cursor: "crosshair" }}
      >
        <title>{`The day's light: ${light.spans.map((each) => each.text).join("; ")}`}</title>
        <clipPath id={`sky-${outingId}`}>
          <rect x={x(0)} y={0} width={x(MINUTES) - x(0)} height={SKY_H} />
        </clipPath>
        {light.spans.map((each) => (
          <rect
            key={each.from_minutes}
            x={x(each.from_minutes)}
            y={0}
            width={x(each.to_minutes) - x(each.from_minutes)}
            height={SKY_H}
            fill={GREY[each.light]}
          />
        ))}
        <rect
          x={x(0)}
          y={0.5}
          width={x(MINUTES) - x(0)}
          height={SKY_H - 1}
          fill="none"
          stroke="var(--chakra-colors-edge)"
          aria-hidden
        />
        <g clipPath={`url(#sky-${outingId})`} fill="none" aria-hidden>
          <line x1={x(0)} x2={x(MINUTES)} y1={HORIZON} y2={HORIZON} stroke="#777777" />
          <path
            d={way((each) => each.moon_altitude_deg)}
            stroke={HALO}
            strokeWidth="3"
            opacity="0.8"
          />
          <path
            d={way((each) => each.moon_altitude_deg)}
            stroke={SUN}
            strokeWidth="1.5"
            strokeDasharray="3 5"
          />
          <path d={way((each) => each.sun_altitude_deg)} stroke={HALO} strokeWidth="5" />
          <path d={way((each) => each.sun_altitude_deg)} stroke={SUN} strokeWidth="2.5" />
        </g>
        {scenes.map((scene, row) => (
          <g key={scene.scene_id} aria-hidden>
            <text
              x={x(0) - 6}
              y={SKY_H + BAR * row + BAR - 4}
              textAnchor="end"
              fontSize="13"
              fill="var(--chakra-colors-ink2)"
            >
              {places[scene.scene_id]}
            </text>
            {scene.sun.map((each) => (
              <rect
                key={`s${each.from_minutes}`}
                x={x(each.from_minutes)}
                y={SKY_H + BAR * row + 3}
                width={Math.max(2, x(each.to_minutes) - x(each.from_minutes))}
                height={BAR - 5}
                fill="var(--chakra-colors-accent)"
              />
            ))}
            {scene.moon.map((each) => (
              <rect
                key={`m${each.from_minutes}`}
                x={x(each.from_minutes)}
                y={SKY_H + BAR * row + BAR - 7}
                width={Math.max(2, x(each.to_minutes) - x(each.from_minutes))}
                height="4"
                fill="none"
                stroke="var(--chakra-colors-ink2)"
              />
            ))}
          </g>
        ))}
        <g
          role="slider"
          tabIndex={0}
          aria-label="A time of the day"
          aria-valuemin={0}
          aria-valuemax={MINUTES}
          aria-valuenow={shown.minutes}
          aria-valuetext={shown.text}
          onKeyDown={pressed}
        >
          <line
            x1={x(shown.minutes)}
            x2={x(shown.minutes)}
            y1={0}
            y2={height}
            stroke="var(--chakra-colors-accent)"
            strokeWidth="2"
          />
          <circle
            cx={x(shown.minutes)}
            cy={Math.max(6, Math.min(SKY_H - 6, y(shown.sun_altitude_deg)))}
            r="6"
            fill="var(--chakra-colors-accent)"
            stroke={HALO}
            strokeWidth="2"
          />
        </g>
      </svg>
      <Box paddingTop="2" fontSize="15px" minHeight="46px" fontWeight={600}>
        {shown.text}
      </Box>
      <Small>{light.marks.map((each) => each.text).join(" · ")}</Small>
      <Small>{[...light.best, light.moon_text].join(" · ")}</Small>
      {light.scenes.map((each) => (
        <Box key={each.scene_id} fontSize="15px" paddingTop="1">
          {places[each.scene_id]} <Link to={`/scene/${each.scene_id}`}>{each.title}</Link>{" "}
          {each.bearing_text}: {each.text}
        </Box>
      ))}
      <Flex paddingTop="1" fontSize="14px" color="ink2" columnGap="4" wrap="wrap">
        <span>Sun and moon over {light.place_text}; never look at the sun through a finder.</span>
        <FileLink
          href={`/api/outings/${outingId}/light.ics?begin=${encodeURIComponent(begin)}`}
          label="For the calendar: the day's light"
        >
          For the calendar
        </FileLink>
      </Flex>
    </Box>
  );
}

const nearest = (moments: Moment[], at: number): Moment =>
  moments.reduce((best, each) =>
    Math.abs(each.minutes - at) < Math.abs(best.minutes - at) ? each : best,
  );
