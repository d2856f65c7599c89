import { Box } from "@chakra-ui/react";
import type { FocusSeen } from "./queries";

const WIDTH = 300;
const HEIGHT = 170;
const INK = "var(--chakra-colors-ink)";
const INK2 = "var(--chakra-colors-ink2)";
const ACCENT = "var(--chakra-colors-accent)";

/** The picture seen upright under the lens's image circle, with what each corner gets less. */
export function CornersDrawn({ corners }: { corners: NonNullable<FocusSeen["corners"]> }) {
  const { width_mm, height_mm, rise_mm, shift_mm, circle_mm, stops } = corners;
  const radius = circle_mm ? circle_mm / 2 : 0;
  const reach = Math.max(
    width_mm / 2 + 10,
    radius + Math.abs(shift_mm),
    Math.hypot(width_mm, height_mm) / 2,
  );
  const tall = Math.max(height_mm / 2 + 10, radius + Math.abs(rise_mm));
  const scale = Math.min((WIDTH / 2 - 4) / reach, (HEIGHT / 2 - 4) / tall);
  const left = WIDTH / 2 - (width_mm / 2) * scale;
  const top = HEIGHT / 2 - (height_mm / 2) * scale;
  const right = WIDTH - left;
  const bottom = HEIGHT - top;
  const axis = { x: WIDTH / 2 - shift_mm * scale, y: HEIGHT / 2 + rise_mm * scale };
  const places = [
    { x: left + 5, y: top + 15, anchor: "start" },
    { x: right - 5, y: top + 15, anchor: "end" },
    { x: left + 5, y: bottom - 6, anchor: "start" },
    { x: right - 5, y: bottom - 6, anchor: "end" },
  ] as const;
  return (
    <Box paddingBlock="1">
      <svg
        width={WIDTH}
        height={HEIGHT}
        role="img"
        aria-label={`Corners, upper left, upper right, lower left, lower right: ${stops.join(", ")}`}
        style={{ maxWidth: "100%" }}
      >
        {circle_mm && (
          <circle
            cx={axis.x}
            cy={axis.y}
            r={radius * scale}
            fill="none"
            stroke={INK2}
            strokeDasharray="5 4"
          />
        )}
        <rect
          x={left}
          y={top}
          width={right - left}
          height={bottom - top}
          fill="none"
          stroke={INK}
          strokeWidth="2"
        />
        <path
          d={`M${axis.x - 6} ${axis.y}h12M${axis.x} ${axis.y - 6}v12`}
          stroke={ACCENT}
          strokeWidth="2"
        />
        {places.map((place, k) => (
          <text
            key={`${place.x} ${place.y}`}
            x={place.x}
            y={place.y}
            textAnchor={place.anchor}
            fontSize="13"
            fill={INK}
          >
            {stops[k]}
          </text>
        ))}
      </svg>
    </Box>
  );
}
