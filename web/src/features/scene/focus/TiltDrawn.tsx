import { Box } from "@chakra-ui/react";
import { useSize } from "../../../components/useSize";
import type { FocusSeen } from "./queries";

const HEIGHT = 190;
const CAMERA = 44;
const INK = "var(--chakra-colors-ink)";
const INK2 = "var(--chakra-colors-ink2)";
const ACCENT = "var(--chakra-colors-accent)";

const slope = (degrees: number) => Math.tan((degrees * Math.PI) / 180);

/** The camera from the side: the plane that is sharp, the wedge about it, and the points. */
export function TiltDrawn({ tilt }: { tilt: NonNullable<FocusSeen["tilt"]> }) {
  const [ref, { width }] = useSize<HTMLDivElement>();
  const wide = Math.max(220, width);
  const hinge = tilt.hinge_mm ?? 1;
  const farthest = Math.max(0, ...tilt.points.map((each) => each.distance_mm));
  const steep = Math.abs(slope(tilt.plane_deg)) > 1;
  const reach = farthest ? 1.15 * farthest : steep ? 0.9 * hinge : 4 * hinge;
  const scale = (wide - CAMERA - 10) / reach;
  const high = Math.max(hinge * 0.6, ...tilt.points.map((each) => each.height_mm)) * 1.2;
  const tall = (HEIGHT - 16) / (high + 1.25 * hinge);
  const up = Math.min(scale, tall) > 0 ? tall : scale;
  const axis = 8 + high * up;
  const x = (mm: number) => CAMERA + mm * scale;
  const y = (mm: number) => axis - mm * up;
  const along = (degrees: number) => `${x(reach)},${y(-hinge + reach * slope(degrees))}`;
  const foot = `${x(0)},${y(-hinge)}`;
  const lean = (tilt.tilt_deg * Math.PI) / 180;
  return (
    <Box ref={ref} paddingBlock="1">
      <svg width={wide} height={HEIGHT} role="img" aria-label={tilt.texts.join("; ")}>
        <g style={{ overflow: "hidden" }}>
          {tilt.upper_deg != null && tilt.lower_deg != null && (
            <polygon
              points={`${foot} ${along(tilt.upper_deg)} ${along(tilt.lower_deg)}`}
              fill={ACCENT}
              opacity="0.16"
            />
          )}
          <polyline
            points={`${foot} ${along(tilt.plane_deg)}`}
            stroke={ACCENT}
            strokeWidth="2.5"
            fill="none"
          />
        </g>
        <line x1={x(0)} x2={x(reach)} y1={axis} y2={axis} stroke={INK2} strokeDasharray="2 5" />
        <line
          x1={CAMERA - 26}
          x2={CAMERA - 26}
          y1={axis - 20}
          y2={axis + 20}
          stroke={INK}
          strokeWidth="3"
        />
        <line
          x1={CAMERA + 20 * Math.sin(lean)}
          x2={CAMERA - 20 * Math.sin(lean)}
          y1={axis - 20 * Math.cos(lean)}
          y2={axis + 20 * Math.cos(lean)}
          stroke={INK}
          strokeWidth="5"
        />
        <circle cx={x(0)} cy={y(-hinge)} r="5" fill="none" stroke={INK} strokeWidth="2" />
        <text x={x(0) - 9} y={y(-hinge) + 5} textAnchor="end" fontSize="13" fill={INK2}>
          hinge
        </text>
        {tilt.points.map((each, place) => (
          <g key={`${each.distance_mm} ${each.height_mm}`}>
            <circle
              cx={x(each.distance_mm)}
              cy={y(each.height_mm)}
              r="6"
              fill={tilt.sharp[place] ? INK : "var(--chakra-colors-sheet)"}
              stroke={INK}
              strokeWidth="2"
            />
            <text
              x={x(each.distance_mm) - 9}
              y={y(each.height_mm) - 9}
              textAnchor="end"
              fontSize="13"
              fill={INK}
            >
              {`${place + 1} ${tilt.sharp[place] === undefined ? "" : tilt.sharp[place] ? "sharp" : "soft"}`}
            </text>
          </g>
        ))}
      </svg>
      <Box fontSize="13px" color="ink2">
        From the side; up is drawn larger than away. What is within the wedge is sharp. A swing does
        the same sideways.
      </Box>
    </Box>
  );
}
