import { Box } from "@chakra-ui/react";
import { useSize } from "../../components/useSize";
import type { Worked } from "./queries";

type Film = NonNullable<Worked["compared"]>["films"][number];

const [LEFT, MIDDLE, HEIGHT] = [56, 62, 146];
const A_STOP = 36; // px
const NARROWEST = 70; // px a colour needs for its name
const [ABOVE, BELOW] = [-12, 21]; // px from a dot to what it says

/** Colours of a card beside the reference's: a dot above the line prints lighter. Where they do not
    fit beside each other they stand in several rows. */
export function ColourPlot({ film }: { film: Film }) {
  const [ref, size] = useSize<HTMLDivElement>();
  const width = size?.width ?? 0;
  const fit = Math.max(1, Math.floor((width - LEFT) / NARROWEST));
  const rows = Math.ceil(film.colours.length / fit);
  const each = Math.ceil(film.colours.length / rows);
  return (
    <Box as="figure" aria-label={`Colours of ${film.title} beside the reference`}>
      <Box as="figcaption" color="ink2" fontSize="13px">
        {film.title}: colours beside the reference’s, at equal shadow density
      </Box>
      <Box ref={ref} role="img" aria-label={spoken(film)}>
        {width > 0 &&
          Array.from({ length: rows }, (_, row) => film.colours.slice(row * each, (row + 1) * each))
            .filter((dots) => dots.length > 0)
            .map((dots) => (
              <Row key={dots[0]?.label} dots={dots} width={width} room={(width - LEFT) / each} />
            ))}
      </Box>
    </Box>
  );
}

function Row({ dots, width, room }: { dots: Film["colours"]; width: number; room: number }) {
  return (
    <svg width={width} height={HEIGHT} aria-hidden style={{ display: "block" }}>
      <text x={LEFT - 10} y={MIDDLE - A_STOP + 4} textAnchor="end" fontSize={12} fill={INK2}>
        lighter
      </text>
      <text x={LEFT - 10} y={MIDDLE + A_STOP + 4} textAnchor="end" fontSize={12} fill={INK2}>
        darker
      </text>
      {dots.map((dot, place) => {
        const x = LEFT + room * (place + 0.5);
        const y = MIDDLE - A_STOP * Math.max(-1, Math.min(1, dot.stops));
        return (
          <g key={dot.label}>
            <line x1={x} x2={x} y1={MIDDLE - 40} y2={MIDDLE + 40} stroke={LINE} />
            <line x1={x - 10} x2={x + 10} y1={MIDDLE} y2={MIDDLE} stroke={INK2} />
            <circle cx={x} cy={y} r={7} fill={dot.named ? OCHRE : INK} />
            <text
              x={x}
              y={y + (dot.stops > 0 ? ABOVE : BELOW)}
              textAnchor="middle"
              fontSize={13}
              fontWeight={650}
              fill={OCHRE}
            >
              {dot.text}
            </text>
            <text x={x} y={HEIGHT - 8} textAnchor="middle" fontSize={12} fill={INK2}>
              {dot.label}
            </text>
          </g>
        );
      })}
    </svg>
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
