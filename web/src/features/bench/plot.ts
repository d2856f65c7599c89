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

/** What each curve has at an exposure, between the points it is drawn by. */
export function readAt(at: number, lines: Line[], zones: boolean): string {
  const said = lines.flatMap((each) => {
    const points = each.line as Point[];
    const next = points.findIndex(([x]) => x >= at);
    const [one, two] = [points[next - 1], points[next]];
    if (!one || !two) return [];
    const density = one[1] + ((two[1] - one[1]) * (at - one[0])) / (two[0] - one[0]);
    return [`${each.id} ${density.toFixed(2)}`];
  });
  const where = zones ? `Zone ${at.toFixed(1)}` : `log H ${at.toFixed(2)}`;
  return `${where}: ${said.join(", ") || "no data"}`;
}
