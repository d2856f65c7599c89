import { line } from "d3-shape";
import { memo } from "react";
import { ACCENT, type Line, type Point, type Scale } from "./plot";

const APART = 14; // px between the names of two curves

/** The curves with their points and names; drawn anew only when one of them, or the room, changed. */
export const Curves = memo(
  function Curves({
    lines,
    main,
    x,
    y,
  }: {
    lines: Line[];
    main: string | null;
    x: Scale;
    y: Scale;
  }) {
    const ends = spread(lines.map((each) => [each.id, y(each.points.at(-1)?.[1] ?? 0)]));
    const path = line<Point>(
      ([a]) => x(a),
      ([, b]) => y(b),
    );
    return (
      <g>
        {lines.map((each) => (
          <g key={each.id}>
            <path
              d={path(each.line as Point[]) ?? ""}
              fill="none"
              stroke={ACCENT}
              strokeWidth={each.id === main ? 3 : 1.6}
            />
            {(each.points as Point[]).map(([a, b]) => (
              <circle
                key={a}
                cx={x(a)}
                cy={y(b)}
                r={2.6}
                fill="var(--chakra-colors-sheet)"
                stroke={ACCENT}
              />
            ))}
            <text
              x={x(each.points.at(-1)?.[0] ?? 0) + 6}
              y={(ends.get(each.id) ?? 0) + 4}
              fontSize={12}
              fontWeight={each.id === main ? 650 : 400}
              fill={ACCENT}
            >
              {each.id}
            </text>
          </g>
        ))}
      </g>
    );
  },
  (before, now) =>
    before.main === now.main &&
    [0, 1].every((each) => before.x(each) === now.x(each) && before.y(each) === now.y(each)) &&
    before.lines.length === now.lines.length &&
    before.lines.every(
      (each, place) =>
        each.id === now.lines[place]?.id &&
        each.line.length === now.lines[place]?.line.length &&
        JSON.stringify(each.points) === JSON.stringify(now.lines[place]?.points),
    ),
);

/** Heights of names, moved apart where they would lie over each other. */
function spread(names: [string, number][]): Map<string, number> {
  const found = new Map<string, number>();
  let last = Number.NEGATIVE_INFINITY;
  for (const [id, at] of [...names].sort((a, b) => a[1] - b[1])) {
    last = Math.max(at, last + APART);
    found.set(id, last);
  }
  return found;
}
