import { Box } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { scaleLog } from "d3-scale";
import { line } from "d3-shape";
import { useDeferredValue, useLayoutEffect, useRef, useState } from "react";
import { question } from "../../api/ask";
import type { Schemas } from "../../api/calls";

type Law = NonNullable<Schemas["Film"]["law"]>;

const HEIGHT = 250;
const [LEFT, BOTTOM] = [84, 46];

/** The law as it is typed: metered time across, time to give upwards; dashed where no data are. */
export function LawPlot({ law }: { law: Law }) {
  const asked = useDeferredValue(law);
  const { data } = useQuery({
    ...question("kit_drawing_of_law", { body: { law: asked } }),
    placeholderData: (before: Schemas["LawDrawn"] | undefined) => before,
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
  const results = data?.points ?? [];
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
      {width > 0 && data && (
        <svg width={width} height={HEIGHT} role="img" aria-label={data.says}>
          {data.metered.map(({ at_s, text }) => (
            <g key={at_s}>
              <line
                x1={x(at_s)}
                x2={x(at_s)}
                y1={8}
                y2={HEIGHT - BOTTOM}
                stroke="var(--chakra-colors-line)"
              />
              <text
                x={x(at_s)}
                y={HEIGHT - BOTTOM + 18}
                textAnchor="middle"
                fontSize={13}
                fill="var(--chakra-colors-ink2)"
              >
                {text}
              </text>
            </g>
          ))}
          {data.given.map(({ at_s, text }) => (
            <g key={at_s}>
              <line
                x1={LEFT}
                x2={width - 16}
                y1={y(at_s)}
                y2={y(at_s)}
                stroke="var(--chakra-colors-line)"
              />
              <text
                x={LEFT - 8}
                y={y(at_s) + 4}
                textAnchor="end"
                fontSize={13}
                fill="var(--chakra-colors-ink2)"
              >
                {text}
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
