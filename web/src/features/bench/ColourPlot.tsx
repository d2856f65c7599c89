import { Box } from "@chakra-ui/react";
import { useSize } from "../../components/useSize";
import type { Worked } from "./queries";

type Film = NonNullable<Worked["compared"]>["films"][number];

const [LEFT, TOP, HEIGHT] = [56, 14, 118];
const MIDDLE = TOP + 36;
const A_STOP = 36; // px
const NARROWEST = 62; // px a colour needs for its name

/** Colours of a card beside the reference's: a dot above the line prints lighter. */
export function ColourPlot({ film }: { film: Film }) {
  const [ref, size] = useSize<HTMLDivElement>();
  const width = Math.max(size?.width ?? 0, LEFT + NARROWEST * film.colours.length);
  const each = (width - LEFT) / film.colours.length;
  return (
    <Box as="figure" aria-label={`Colours of ${film.title} beside the reference`}>
      <Box as="figcaption" color="ink2" fontSize="13px">
        {film.title}: colours beside the reference’s, at equal shadow density
      </Box>
      <Box ref={ref} overflowX="auto" tabIndex={0} aria-label="Colours, side to side">
        {size && (
          <svg width={width} height={HEIGHT} role="img" aria-label={spoken(film)}>
            <text x={LEFT - 10} y={TOP + 4} textAnchor="end" fontSize={12} fill={INK2}>
              lighter
            </text>
            <text x={LEFT - 10} y={MIDDLE + 40} textAnchor="end" fontSize={12} fill={INK2}>
              darker
            </text>
            {film.colours.map((dot, place) => {
              const x = LEFT + each * (place + 0.5);
              const y = MIDDLE - A_STOP * Math.max(-1, Math.min(1, dot.stops));
              return (
                <g key={dot.label}>
                  <line x1={x} x2={x} y1={TOP - 4} y2={MIDDLE + 40} stroke={LINE} />
                  <line x1={x - 10} x2={x + 10} y1={MIDDLE} y2={MIDDLE} stroke={INK2} />
                  <circle cx={x} cy={y} r={7} fill={dot.named ? OCHRE : INK} />
                  <text x={x + 12} y={y + 4} fontSize={13} fontWeight={650} fill={OCHRE}>
                    {dot.text}
                  </text>
                  <text x={x} y={HEIGHT - 8} textAnchor="middle" fontSize={12} fill={INK2}>
                    {dot.label}
                  </text>
                </g>
              );
            })}
          </svg>
        )}
      </Box>
    </Box>
  );
}

const INK = "var(--chakra-colors-ink)";
const INK2 = "var(--chakra-colors-ink2)";
const LINE = "var(--chakra-colors-line)";
const OCHRE = "var(--chakra-colors-ochre)";

function spoken(film: Film): string {
  const named = film.colours.filter((dot) => dot.named);
  return named.length
    ? named.map((dot) => `${dot.label} ${dot.text}`).join(", ")
    : "every colour prints alike";
}
