import { Box } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { scaleLog } from "d3-scale";
import { line } from "d3-shape";
import { useDeferredValue, useLayoutEffect, useRef, useState } from "react";
import { question } from "../../api/ask";
import type { Schemas } from "../../api/calls";

type Law = NonNullable<Schemas["Film"]["law"]>;

const METERED = Array.from({ length: 33 }, (_, k) => 0.1 * 10 ** (k / 8));
const HEIGHT = 250;
const [LEFT, BOTTOM] = [84, 46];
const TICKS = [0.1, 1, 10, 60, 600];
const named = (seconds: number) =>
  seconds < 60
    ? `${seconds} s`
    : seconds < 3600
      ? `${Math.round(seconds / 6) / 10} min`
      : `${Math.round(seconds / 360) / 10} h`;

/** The law as it is typed: metered time across, time to give upwards; dashed where no data are. */
export function LawPlot({ law }: { law: Law }) {
  const asked = useDeferredValue(law);
  const { data } = useQuery({
    ...question("compute_reciprocity", {
      body: { law: asked, metered_s: METERED, clock_s: null },
    }),
    placeholderData: (before: Schemas["ReciprocityAnswer"] | undefined) => before,
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useLayoutEffect(() => {
    const node = box.current;
    if (!node) return;
    const seen = new ResizeObserver(([entry]) => setWidth(entry?.contentRect.width ?? 0));
    seen.observe(node);
    return () => seen.disconnect();
  }, []);
  const results = data?.results ?? [];
  const x = scaleLog([0.1, 1000], [LEFT, Math.max(LEFT + 16, width - 16)]);
  const y = scaleLog([0.1, 36_000], [HEIGHT - BOTTOM, 8]).clamp(true);
  const path = line<(typeof results)[number]>(
    (each) => x(each.metered_s),
    (each) => y(each.corrected_s),
  );
  const known = results.filter((each) => !each.extrapolated);
  const beyond = results.filter(
    (each, place) => each.extrapolated || results[place + 1]?.extrapolated,
  );
  return (
    <Box ref={box} minHeight={`${HEIGHT}px`}>
      {width > 0 && results.length > 0 && (
        <svg width={width} height={HEIGHT} role="img" aria-label={valuesOf(results)}>
          {TICKS.map((tick) => (
            <g key={tick}>
              <line
                x1={x(tick)}
                x2={x(tick)}
                y1={8}
                y2={HEIGHT - BOTTOM}
                stroke="var(--chakra-colors-line)"
              />
              <text
                x={x(tick)}
                y={HEIGHT - BOTTOM + 18}
                textAnchor="middle"
                fontSize={13}
                fill="var(--chakra-colors-ink2)"
              >
                {named(tick)}
              </text>
            </g>
          ))}
          {[1, 10, 60, 600, 3600].map((tick) => (
            <g key={tick}>
              <line
                x1={LEFT}
                x2={width - 16}
                y1={y(tick)}
                y2={y(tick)}
                stroke="var(--chakra-colors-line)"
              />
              <text
                x={LEFT - 8}
                y={y(tick) + 4}
                textAnchor="end"
                fontSize={13}
                fill="var(--chakra-colors-ink2)"
              >
                {named(tick)}
              </text>
            </g>
          ))}
          <text
            x={(LEFT + width) / 2}
            y={HEIGHT - 6}
            textAnchor="middle"
            fontSize={13}
            fill="var(--chakra-colors-ink2)"
          >
            metered time
          </text>
          <text
            x={12}
            y={(HEIGHT - BOTTOM) / 2}
            textAnchor="middle"
            fontSize={13}
            fill="var(--chakra-colors-ink2)"
            transform={`rotate(-90 12 ${(HEIGHT - BOTTOM) / 2})`}
          >
            time to give
          </text>
          <line
            x1={x(0.1)}
            y1={y(0.1)}
            x2={x(1000)}
            y2={y(1000)}
            stroke="var(--chakra-colors-edge)"
            strokeDasharray="2 4"
          />
          <path
            d={path(known) ?? ""}
            fill="none"
            stroke="var(--chakra-colors-accent)"
            strokeWidth={2.5}
          />
          <path
            d={path(beyond) ?? ""}
            fill="none"
            stroke="var(--chakra-colors-accent)"
            strokeWidth={2}
            strokeDasharray="6 5"
          />
        </svg>
      )}
      <Box fontSize="13px" color="ink2">
        Dotted: no correction. Dashed: beyond the data.
      </Box>
    </Box>
  );
}

/** The law's values, for the ear. */
const valuesOf = (results: { metered_s: number; corrected_s: number }[]) =>
  `Metered and given: ${results
    .filter((_, place) => place % 8 === 0)
    .map(
      (each) =>
        `${named(Number(each.metered_s.toPrecision(2)))} ${named(Number(each.corrected_s.toPrecision(2)))}`,
    )
    .join(", ")}`;
