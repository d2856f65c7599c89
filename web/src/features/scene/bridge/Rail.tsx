import { GREYS, MIDDLE, ZONES } from "../../../shared/zones";
import { along, type RailSpan } from "./geometry";
import { ink, ink2, Words } from "./ink";

/** Eleven neutral greys; the upper rail names them. */
export function Rail({
  span,
  at,
  thickness,
  named,
}: {
  span: RailSpan;
  at: number;
  thickness: number;
  named?: boolean;
}) {
  return (
    <g aria-hidden>
      {ZONES.map((name, zone) => {
        const middle = along(span, zone);
        const box = span.upright
          ? { x: at, y: middle - span.cell / 2, width: thickness, height: span.cell + 0.5 }
          : { x: middle - span.cell / 2, y: at, width: span.cell + 0.5, height: thickness };
        return (
          <g key={name}>
            <rect {...box} fill={GREYS[zone]} />
            {named && (
              <Words
                x={span.upright ? at + thickness / 2 : middle}
                y={(span.upright ? middle : at + thickness / 2) + 5}
                textAnchor="middle"
                fontSize={span.upright ? 14 : 16}
                fontWeight={600}
                fill={zone < MIDDLE ? "#fff" : "#111"}
              >
                {name}
              </Words>
            )}
          </g>
        );
      })}
      <rect
        x={span.upright ? at : span.start}
        y={span.upright ? span.start : at}
        width={span.upright ? thickness : span.cell * 11}
        height={span.upright ? span.cell * 11 : thickness}
        fill="none"
        stroke="#8a8a8a"
      />
    </g>
  );
}

/** The tones in which this film holds texture. */
export function Texture({
  span,
  at,
  range,
  text,
}: {
  span: RailSpan;
  at: number;
  range: [number, number];
  /** in words */
  text: string;
}) {
  const half = span.cell / 2;
  const low = along(span, range[0]);
  const high = along(span, range[1]);
  if (span.upright) {
    return (
      <path
        d={`M${at},${high - half} h7 V${low + half} h-7`}
        fill="none"
        stroke={ink}
        strokeWidth={1.5}
      />
    );
  }
  return (
    <g>
      <path
        d={`M${low - half},${at} v8 H${high + half} v-8`}
        fill="none"
        stroke={ink}
        strokeWidth={1.5}
      />
      <Words
        x={(low + high) / 2 - span.cell * 1.6}
        y={at + 26}
        textAnchor="middle"
        fontSize={13}
        fill={ink2}
      >
        {text}
      </Words>
    </g>
  );
}
