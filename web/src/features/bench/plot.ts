import type { Worked } from "./queries";

/* Curves as numbers: what is drawn, and what is read off. */

export type Line = Worked["lines"][number];
export type Point = [number, number];
export type Scale = (value: number) => number;

/** Room around the curves, in pixels. */
export const [LEFT, RIGHT, TOP, BOTTOM] = [44, 64, 12, 52];
export const INK = "var(--chakra-colors-ink)";
export const INK2 = "var(--chakra-colors-ink2)";
export const ACCENT = "var(--chakra-colors-accent)";

/** Where a curve, as it is drawn, last comes up to a density. */
export function reached(line: Line, density: number): number | null {
  const points = line.line as Point[];
  for (let place = points.length - 2; place >= 0; place--) {
    const [one, two] = [points[place], points[place + 1]];
    if (one && two && one[1] < density && two[1] >= density)
      return one[0] + ((two[0] - one[0]) * (density - one[1])) / (two[1] - one[1]);
  }
  return null;
}

/** The place of what was read off nearest to an exposure. */
export const nearest = (readings: Worked["readings"], at: number) =>
  readings.reduce(
    (best, each, place) =>
      Math.abs(each.at - at) < Math.abs((readings[best]?.at ?? 0) - at) ? place : best,
    0,
  );

/** What the curves that are shown have there. */
export function readText(read: Worked["readings"][number] | undefined, shown: Line[]): string {
  if (!read) return "";
  const said = shown.flatMap(({ id }) =>
    read.densities[id] ? [`${id} ${read.densities[id]}`] : [],
  );
  return `${read.text}: ${said.join(", ") || "no data"}`;
}
