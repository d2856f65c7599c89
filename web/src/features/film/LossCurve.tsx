import { Box } from "@chakra-ui/react";
import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import type { KeyboardEvent, PointerEvent } from "react";
import type { Schemas } from "../../api/calls";
import { useSize } from "../../components/useSize";

type Choice = Schemas["RollChoice"];

const HEIGHT = 176;
const [TOP, BOTTOM, SIDE] = [30, 56, 34];
const ACCENT = "var(--chakra-colors-accent)";
const INK2 = "var(--chakra-colors-ink2)";
const LINE = "var(--chakra-colors-line)";

/**
 * What one development loses over N: a curve with its least, the frames along the axis at the N each
 * of them needs, and a handle on the development that is chosen.
 */
export function LossCurve({
  choices,
  shown,
  choose,
}: {
  choices: Choice[];
  shown: Choice;
  choose: (n: number) => void;
}) {
  const [ref, size] = useSize<HTMLDivElement>();
  const width = size?.width ?? 0;
  const most = Math.max(1, ...choices.map((each) => each.cost));
  const [lowest, highest] = [choices[0]?.n ?? -2, choices.at(-1)?.n ?? 2];
  const x = scaleLinear([lowest, highest], [SIDE, width - SIDE]);
  const y = scaleLinear([0, most], [HEIGHT - BOTTOM, TOP]);
  const path = line<Choice>(
    (each) => x(each.n),
    (each) => y(each.cost),
  )(choices);
  const place = choices.findIndex((each) => each.n === shown.n);
  const go = (to: number) => {
    const next = choices[Math.max(0, Math.min(choices.length - 1, to))];
    if (next) choose(next.n);
  };
  const pressed = (event: KeyboardEvent) => {
    const to = { ArrowLeft: place - 1, ArrowRight: place + 1, Home: 0, End: choices.length - 1 }[
      event.key
    ];
    if (to === undefined) return;
    event.preventDefault();
    go(to);
  };
  const pointed = (event: PointerEvent<SVGSVGElement>) => {
    if (event.type === "pointermove" && !event.buttons) return;
    const n = x.invert(event.clientX - event.currentTarget.getBoundingClientRect().left);
    const off = choices.map((each) => Math.abs(each.n - n));
    go(off.indexOf(Math.min(...off)));
  };
  // frames that need the same N stand beside each other
  const together = new Map<number, Choice["losses"]>();
  for (const each of shown.losses) together.set(each.n, [...(together.get(each.n) ?? []), each]);
  return (
    <Box ref={ref} minHeight={`${HEIGHT}px`}>
      {width > 0 && (
        <svg
          width={width}
          height={HEIGHT}
          onPointerDown={pointed}
          onPointerMove={pointed}
          style={{ cursor: "pointer", touchAction: "none", display: "block" }}
        >
          <title>What is lost over N</title>
          <line x1={SIDE} x2={width - SIDE} y1={y(0)} y2={y(0)} stroke={LINE} />
          <path d={path ?? ""} fill="none" stroke={ACCENT} strokeWidth={2.5} />
          {choices.map((each) => (
            <circle
              key={each.n}
              cx={x(each.n)}
              cy={y(each.cost)}
              r={each.best ? 5 : 3}
              fill={each.best ? ACCENT : "var(--chakra-colors-sheet)"}
              stroke={ACCENT}
              strokeWidth={2}
            />
          ))}
          {choices
            .filter((each) => Number.isInteger(each.n))
            .map((each) => (
              <text
                key={each.n}
                x={x(each.n)}
                y={y(0) + 18}
                textAnchor="middle"
                fontSize={14}
                fill={INK2}
              >
                {each.n_text}
              </text>
            ))}
          {[...together].map(([n, frames]) => (
            <text
              key={n}
              x={x(Math.max(lowest, Math.min(highest, n)))}
              y={y(0) + 36}
              textAnchor="middle"
              fontSize={12}
              fontWeight={frames.some((each) => each.weight > 1) ? 700 : 400}
              fill={frames.some((each) => each.lost_stops) ? "var(--chakra-colors-ochre)" : INK2}
            >
              {frames.map((each) => each.frame).join(" ")}
            </text>
          ))}
          <g
            role="slider"
            tabIndex={0}
            aria-label="Development of the roll"
            aria-valuemin={lowest}
            aria-valuemax={highest}
            aria-valuenow={shown.n}
            aria-valuetext={`${shown.n_text}: ${lostText(shown)}`}
            onKeyDown={pressed}
          >
            <line x1={x(shown.n)} x2={x(shown.n)} y1={TOP - 4} y2={y(0)} stroke={ACCENT} />
            <rect x={x(shown.n) - 30} y={0} width={60} height={26} rx={13} fill={ACCENT} />
            <text
              x={x(shown.n)}
              y={18}
              textAnchor="middle"
              fontSize={15}
              fontWeight={650}
              fill="var(--chakra-colors-on-accent)"
            >
              {shown.n_text}
            </text>
          </g>
        </svg>
      )}
      <Box fontSize="15px" aria-live="polite">
        <b>{shown.n_text}</b>: {lostText(shown)}
      </Box>
      <Box fontSize="13px" color="ink2">
        Frame numbers stand under the N each of them needs.
      </Box>
    </Box>
  );
}

const lostText = (each: Choice) =>
  `${each.cost_text} too hard or too soft, weighed over all frames${each.best ? "; no development comes nearer" : ""}`;
