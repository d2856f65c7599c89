import type { ScaleLinear } from "d3-scale";
import { GREYS, MIDDLE, ZONES } from "../../shared/zones";
import { BOTTOM, INK2, LEFT, RIGHT } from "./plot";

const LINE = "var(--chakra-colors-line)";

/** Densities at the side; under the curves the greys of the zones, or the light itself. */
export function Axes({
  x,
  y,
  width,
  height,
  zones,
}: {
  x: ScaleLinear<number, number>;
  y: ScaleLinear<number, number>;
  width: number;
  height: number;
  zones: boolean;
}) {
  const bottom = height - BOTTOM;
  return (
    <>
      {y.ticks(5).map((tick) => (
        <g key={tick}>
          <line x1={LEFT} x2={width - RIGHT} y1={y(tick)} y2={y(tick)} stroke={LINE} />
          <text x={LEFT - 8} y={y(tick) + 4} textAnchor="end" fontSize={12} fill={INK2}>
            {y.tickFormat(5)(tick)}
          </text>
        </g>
      ))}
      {zones &&
        ZONES.map((roman, zone) => (
          <rect
            key={roman}
            x={x(zone - 0.5)}
            y={bottom + 4}
            width={x(zone + 0.5) - x(zone - 0.5)}
            height={18}
            fill={GREYS[zone]}
          />
        ))}
      {zones &&
        ZONES.map(
          (roman, zone) =>
            (x(1) - x(0) > 24 || zone % 2 === 0) && (
              <text
                key={roman}
                x={x(zone)}
                y={bottom + 17}
                textAnchor="middle"
                fontSize={11}
                fontWeight={600}
                fill={zone < MIDDLE ? "#fff" : "#111"}
              >
                {roman}
              </text>
            ),
        )}
      {!zones &&
        x.ticks(6).map((tick) => (
          <text
            key={tick}
            x={x(tick)}
            y={bottom + 17}
            textAnchor="middle"
            fontSize={12}
            fill={INK2}
          >
            {tick}
          </text>
        ))}
      <text x={4} y={12} fontSize={12} fill={INK2}>
        density with the film's base
      </text>
      <text x={LEFT} y={height - 10} fontSize={12} fill={INK2}>
        {zones ? "light on the film, in zones of the meter" : "log H, lux seconds"}
      </text>
    </>
  );
}
