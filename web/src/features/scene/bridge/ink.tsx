import type { SVGProps } from "react";

/* Colours of the drawing, which follow the light, and its text. The rails' greys never change. */

export const ink = "var(--chakra-colors-ink)";
export const ink2 = "var(--chakra-colors-ink2)";
export const accent = "var(--chakra-colors-accent)";
export const onAccent = "var(--chakra-colors-on-accent)";
export const paper = "var(--chakra-colors-paper)";
export const ochre = "var(--chakra-colors-ochre)";

export const LOST = {
  shadow: "shadow texture lost",
  highlight: "highlight texture lost",
  "": "",
} as const;

const HALO = {
  paintOrder: "stroke",
  stroke: paper,
  strokeWidth: 4,
  strokeLinejoin: "round",
} as const;

/** Text in the drawing; set by style, since the page's reset outweighs attributes. */
export function Words({
  fontSize,
  fontWeight = 400,
  halo,
  ...rest
}: SVGProps<SVGTextElement> & { fontSize: number; halo?: boolean }) {
  return <text {...rest} style={{ fontSize, fontWeight, ...(halo ? HALO : {}) }} />;
}
