import { Box, Flex } from "@chakra-ui/react";
import { Link } from "wouter";
import type { Schemas } from "../../api/calls";
import { count } from "../../components/count";
import { Small } from "../../components/text";
import { pathOf } from "./shapes";

type Line = Schemas["PrintLine"];

const HIGH = 180;
/** Prints that are drawn one by one. */
const SQUARES = 12;

/** A print in the list: its picture with the areas on it, its times to one scale, what was made. */
export function PrintCard({ line, longest_s }: { line: Line; longest_s: number }) {
  return (
    <Box as="li">
      <Proof line={line} />
      <Box paddingTop="2">
        <Link to={`/print/${line.id}`}>{line.title}</Link>
      </Box>
      <Small>{line.negative_text}</Small>
      {line.inkjet_text && <Box fontSize="14px">By inkjet. {line.inkjet_text}</Box>}
      {line.rows.length > 0 && <Times line={line} longest_s={longest_s} />}
      <Flex gap="2" align="center" fontSize="14px" color={line.final ? "accent" : "ink2"}>
        <Made tries={line.tries} final={line.final} />
        {line.tries === 0
          ? "planned"
          : [`${count(line.tries, "print")} made`, line.final && "one is final"]
              .filter(Boolean)
              .join(", ")}
      </Flex>
    </Box>
  );
}

/** The picture as it was scanned with the areas of the plan; without one the sheet to scale. */
function Proof({ line }: { line: Line }) {
  if (!line.picture_id || !line.ratio) return <Sheet layout={line.layout} />;
  const [width, height] = [1000, 1000 / line.ratio];
  return (
    <Box
      position="relative"
      height={`${HIGH}px`}
      style={{ aspectRatio: line.ratio }}
      maxWidth="100%"
    >
      <img
        src={`/api/attachments/${line.picture_id}/thumbnail`}
        alt=""
        style={{ width: "100%", height: "100%", objectFit: "fill", display: "block" }}
      />
      <svg
        role="img"
        aria-label={
          line.shapes.length ? `${count(line.shapes.length, "area")} on the picture` : "no areas"
        }
        viewBox={`0 0 ${width} ${height}`}
        preserveAspectRatio="none"
        style={{ position: "absolute", inset: 0, width: "100%", height: "100%" }}
      >
        {line.shapes.map((shape) => {
          const path = pathOf(shape, width, height);
          return (
            <g key={path} fill="none" fillRule="evenodd">
              <path d={path} stroke="#fff" strokeWidth="5" vectorEffect="non-scaling-stroke" />
              <path d={path} stroke="#1b3f78" strokeWidth="2" vectorEffect="non-scaling-stroke" />
            </g>
          );
        })}
      </svg>
    </Box>
  );
}

function Sheet({ layout }: { layout: Line["layout"] }) {
  const scale = (HIGH - 4) / Math.max(layout.width_mm, layout.height_mm);
  const [w, h] = [layout.width_mm * scale, layout.height_mm * scale];
  const [iw, ih] = [layout.image_width_mm * scale, layout.image_height_mm * scale];
  return (
    <svg
      role="img"
      aria-label="No picture: the image on its sheet, to scale"
      width={w + 2}
      height={HIGH}
      style={{ display: "block" }}
    >
      <rect x="1" y="1" width={w} height={h} fill="#fff" stroke="var(--chakra-colors-ink)" />
      <rect x={1 + (w - iw) / 2} y={1 + (h - ih) / 2} width={iw} height={ih} fill="#999" />
    </svg>
  );
}

/** Every time in the order worked, end to end; all prints to one scale. */
function Times({ line, longest_s }: { line: Line; longest_s: number }) {
  const said = line.rows.map((row) => `${row.title} ${row.text}`).join(", ");
  return (
    <Flex align="center" gap="2" paddingBlock="1.5">
      <Flex role="img" aria-label={said} flex="1" height="12px" gap="1px">
        {line.rows.map((row) => (
          <Box
            key={row.id}
            position="relative"
            background={row.act === "burn" ? "accent" : "ink"}
            minWidth="2px"
            style={{ width: `${(100 * row.seconds) / longest_s}%` }}
          >
            {row.holds.map((hold) => (
              <Box
                key={hold.id}
                position="absolute"
                top="0"
                bottom="0"
                background="sheet"
                border="1px dashed"
                borderColor="ink2"
                style={{
                  left: `${(100 * hold.start_s) / row.seconds}%`,
                  width: `${(100 * hold.hold_s) / row.seconds}%`,
                }}
              />
            ))}
          </Box>
        ))}
      </Flex>
      <Box fontSize="14px" fontWeight={600} whiteSpace="nowrap">
        {line.total_text}
      </Box>
    </Flex>
  );
}

/** The prints that were made as small sheets; of the final one a corner is folded. */
function Made({ tries, final }: { tries: number; final: boolean }) {
  if (tries === 0) return null;
  const shown = Math.min(tries, SQUARES);
  return (
    <svg width={shown * 15} height="18" aria-hidden>
      {Array.from({ length: shown }, (_, place) => {
        const x = place * 15 + 1;
        const folded = final && place === shown - 1;
        return (
          <path
            key={x}
            d={
              folded
                ? `M${x},1 H${x + 6} L${x + 11},6 V16 H${x} Z M${x + 6},1 V6 H${x + 11}`
                : `M${x},1 H${x + 11} V16 H${x} Z`
            }
            fill={folded ? "var(--chakra-colors-accent-soft)" : "none"}
            stroke="currentcolor"
            strokeWidth="1.4"
          />
        );
      })}
    </svg>
  );
}
