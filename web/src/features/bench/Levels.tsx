import { INK, LEFT } from "./plot";

/* letters over lines: with a rim of the ground */
const HALO = {
  stroke: "var(--chakra-colors-paper)",
  strokeWidth: 4,
  paintOrder: "stroke",
} as const;

/** A density across the plot, with what it is. */
export function Level({
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

const LETTER = 7; // px, about

/** How far two curves lie apart at a density, with what that is; never over the scale beside it. */
export function Gap({
  from,
  to,
  at,
  text,
}: {
  from: number;
  to: number;
  at: number;
  text: string;
}) {
  return (
    <g stroke={INK} strokeWidth={1.4}>
      <path
        d={`M${from} ${at - 5}V${at + 5}M${from} ${at}H${to}M${to} ${at - 5}V${at + 5}`}
        fill="none"
      />
      <text
        x={Math.max(LEFT + 4 + (LETTER * text.length) / 2, (from + to) / 2)}
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
