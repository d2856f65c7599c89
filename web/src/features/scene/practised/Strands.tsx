import { Box } from "@chakra-ui/react";
import { useSize } from "../../../components/useSize";
import { GREYS, MIDDLE, ZONES } from "../../../shared/zones";
import type { Verdict } from "./queries";

const [BAR, BETWEEN] = [30, 52];
const [LANE, LETTER, NEVER_UNDER] = [17, 6.4, 200];
const WORDS = { wide: 76, narrow: 0 }; // room for what the rows are, beside or over them
const NARROW = 500;
const ink = "var(--chakra-colors-ink)";
const ink2 = "var(--chakra-colors-ink2)";
const ochre = "var(--chakra-colors-ochre)";

interface Scale {
  left: number;
  cell: number;
  wide: number;
}

const across = ({ left, cell }: Scale, zone: number) =>
  left + cell * (Math.max(-0.4, Math.min(10.4, zone)) + 0.5);

/** Lanes for names that would lie over each other, the leftmost first. */
function inLanes(places: Verdict["places"], scale: Scale) {
  const until: number[] = [];
  return [...places]
    .sort((a, b) => a.became - b.became)
    .map((place) => {
      const wide = place.name.length * LETTER + 14;
      const at = across(scale, place.became);
      const middle = Math.max(wide / 2, Math.min(scale.wide - wide / 2, at));
      let lane = until.findIndex((end) => middle - wide / 2 > end);
      if (lane < 0) lane = until.length;
      until[lane] = middle + wide / 2;
      return { place, lane, middle };
    });
}

/** Every place from the zone it was to print on to the one it got. */
export function Strands({ places }: { places: Verdict["places"] }) {
  const [ref, { width }] = useSize<HTMLDivElement>();
  const wide = Math.max(NEVER_UNDER, width);
  const left = wide < NARROW ? WORDS.narrow : WORDS.wide;
  const scale = { left, cell: (wide - left) / ZONES.length, wide };
  const laid = inLanes(places, scale);
  const lanes = Math.max(1, ...laid.map((each) => each.lane + 1));
  const top = left ? 0 : LANE;
  const between = BETWEEN + (left ? 0 : LANE);
  const foot = top + 2 * BAR + between;
  const high = foot + 12 + lanes * LANE;
  return (
    <Box ref={ref} flexShrink={0}>
      <svg
        width={wide}
        height={high}
        role="img"
        aria-label={`Places, asked and became: ${places
          .map((each) => `${each.name} ${each.asked_text}, became ${each.became_text}`)
          .join("; ")}`}
        style={{ display: "block", maxWidth: "100%" }}
      >
        <Row y={top} label="asked" scale={scale} named />
        <Row y={top + BAR + between} label="became" scale={scale} />
        {laid.map(({ place, lane, middle }) => {
          const [from, to] = [across(scale, place.asked), across(scale, place.became)];
          const [begin, end] = [top + BAR, top + BAR + between];
          const bend = (begin + end) / 2;
          const under = foot + 6 + lane * LANE;
          return (
            <g key={place.name}>
              <path
                d={`M${from},${begin} C${from},${bend} ${to},${bend} ${to},${end}`}
                fill="none"
                stroke={place.right ? ink2 : ochre}
                strokeWidth={place.right ? 1.5 : 3}
              />
              <path
                d={`M${to},${foot} V${under - 2} L${middle},${under}`}
                stroke={ink2}
                fill="none"
              />
            </g>
          );
        })}
        {/* over every strand */}
        {laid.map(({ place, lane, middle }) => (
          <text
            key={place.name}
            x={middle}
            y={foot + 17 + lane * LANE}
            textAnchor="middle"
            fontSize="13"
            fontWeight={place.right ? 400 : 650}
            fill={ink}
            stroke="var(--chakra-colors-paper)"
            strokeWidth="4"
            paintOrder="stroke"
          >
            {place.name}
          </text>
        ))}
      </svg>
    </Box>
  );
}

function Row({
  y,
  label,
  scale: { left, cell },
  named,
}: {
  y: number;
  label: string;
  scale: Scale;
  named?: boolean;
}) {
  return (
    <g>
      <text x="0" y={left ? y + BAR / 2 + 5 : y - 5} fontSize="14" fill={ink2}>
        {label}
      </text>
      {GREYS.map((grey, zone) => (
        <g key={grey}>
          <rect x={left + zone * cell} y={y} width={cell + 0.3} height={BAR} fill={grey} />
          {named && (
            <text
              x={left + (zone + 0.5) * cell}
              y={y + BAR / 2 + 5}
              textAnchor="middle"
              fontSize="13"
              fontWeight="650"
              fill={zone > MIDDLE ? "#000" : "#fff"}
            >
              {ZONES[zone]}
            </text>
          )}
        </g>
      ))}
      <rect x={left} y={y} width={cell * ZONES.length} height={BAR} fill="none" stroke="#8a8a8a" />
    </g>
  );
}
